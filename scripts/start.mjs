// npm start [-- --port N]   one's own water: empty at first, and for keeps
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { migrateDatabase, runScript } from './application.mjs';
import { OWN_HOME } from './bootstrap.mjs';
import { launch, optionsOf, portOf } from './launch.mjs';
import { main } from './say.mjs';

/** Another than the demo's, so that both can run. */
const DEFAULT_PORT = 4190;

/** Signs the cookies of all who are signed in; made once. */
function secret(home) {
	const file = join(home, 'secret');
	if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
	return readFileSync(file, 'utf8').trim();
}

await main(async () => {
	const options = optionsOf(process.argv.slice(2), { '--port': 'value' });
	await launch({
		command: 'npm start',
		home: OWN_HOME,
		port: portOf(options['--port'] ?? process.env.PORT ?? DEFAULT_PORT),
		prepare: async (database) => {
			migrateDatabase(database, join(OWN_HOME, 'dumps'));
			const { beginning } = JSON.parse(runScript('prepare-own.ts', { DATABASE_URL: database.url }));
			return {
				env: { TEVRIK_SECRET: secret(OWN_HOME) },
				say: (origin) => [
					...(beginning
						? [`Nobody has an account yet. To make the first, once: ${origin}/begin/${beginning}`]
						: []),
					`What is entered stands in ${OWN_HOME}; npm run backup makes a copy of it.`
				]
			};
		}
	});
});
process.exit();
