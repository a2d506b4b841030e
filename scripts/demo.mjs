// npm run demo [-- --fresh] [--host ADDRESS] [--port N] [--sign-in-demo-member]
import { join } from 'node:path';
import { fillDemo, isLoopback } from './application.mjs';
import { HOME } from './bootstrap.mjs';
import { launch, optionsOf, portOf, secretOf } from './launch.mjs';
import { DEMO_PORT } from './ports.mjs';
import { main } from './say.mjs';

/** From this age on the demo's dates look stale. */
const OLD_DAYS = 3;

await main(async () => {
	const options = optionsOf(process.argv.slice(2), {
		'--fresh': 'flag',
		'--host': 'value',
		'--port': 'value',
		'--sign-in-demo-member': 'flag'
	});
	const host = options['--host'] === 'localhost' ? '127.0.0.1' : (options['--host'] ?? '127.0.0.1');
	await launch({
		command: 'npm run demo',
		home: HOME,
		host,
		port: portOf(options['--port'] ?? process.env.PORT ?? DEMO_PORT),
		fresh: options['--fresh'] === true,
		anew: 'begin anew with: npm run demo -- --fresh',
		prepare: async (database) => {
			const demo = fillDemo(database, { dumps: join(HOME, 'dumps') });
			const signsIn = isLoopback(host) || options['--sign-in-demo-member'] === true;
			return {
				env: signsIn
					? {
							TEVRIK_SIGN_IN_AS: demo.personId,
							TEVRIK_SECRET: secretOf(HOME),
							// What would be mailed is kept here as files.
							TEVRIK_MAILS: join(HOME, 'mails')
						}
					: {},
				say: () => [
					...(demo.ageDays >= OLD_DAYS
						? [
								`The demo world was made on ${demo.madeOn}, ${demo.ageDays} days ago. To make it afresh: npm run demo -- --fresh`
							]
						: []),
					...(signsIn
						? ['This is made up. To begin with your own water: npm start']
						: [
								'It answers beyond this machine, so nobody is signed in. To let everybody be the demo keeper: --sign-in-demo-member'
							])
				]
			};
		}
	});
});
process.exit();
