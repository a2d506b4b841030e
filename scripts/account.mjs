// npm run account                     who can sign in
// npm run account -- reset NAME       makes a link by which a forgotten password is chosen anew, once
// npm run account -- end NAME         signs somebody out everywhere
// npm run account -- second-step-off NAME   for somebody who lost their authenticator and their spare codes
// All are about one's own records where there are any; --demo means the demo's
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { runScript } from './application.mjs';
import { ensurePackages, ensurePrograms } from './bootstrap.mjs';
import { reach } from './reach.mjs';
import { main, stop } from './say.mjs';

const DEEDS = ['reset', 'end', 'second-step-off'];
const USE = `Say what is meant: npm run account, or with one of ${DEEDS.join(', ')} and a name behind it: npm run account -- reset NAME`;

await main(async () => {
	const args = process.argv.slice(2);
	const [what = 'list', ...name] = args.filter((a) => a !== '--demo');
	if (what === 'list' ? name.length > 0 : !DEEDS.includes(what) || name.length === 0) stop(USE);
	ensurePrograms('mariadb');
	ensurePackages();
	const { url, home, done } = await reach(args);
	try {
		const address = join(home, 'address');
		console.log(
			runScript('account.ts', {
				DATABASE_URL: url,
				TEVRIK_ACCOUNT_WHAT: what,
				TEVRIK_ACCOUNT_NAME: name.join(' '),
				TEVRIK_ADDRESS: existsSync(address) ? readFileSync(address, 'utf8').trim() : ''
			})
		);
	} finally {
		await done();
	}
});
