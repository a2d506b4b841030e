// npm run backup [-- FOLDER]      writes one moment's state of all records to a file
// npm run restore -- FILE --yes   puts such a file in the place of all records, or what an earlier restore kept
// Both are about one's own records where there are any; --demo means the demo's.
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ROOT } from './bootstrap.mjs';
import { dump } from './dump.mjs';
import { reach } from './reach.mjs';
import { restore } from './restore.mjs';
import { main, stop } from './say.mjs';

await main(async () => {
	const [what, ...args] = process.argv.slice(2);
	const file = args.find((a) => !a.startsWith('--'));
	if (what === 'restore' && (!file || !args.includes('--yes'))) {
		stop('Say which file, and that all present records may be replaced: npm run restore -- FILE --yes');
	}
	ensurePrograms('mariadb');
	ensurePackages();
	const { url, loadUrl, home, done } = await reach(args);
	try {
		if (what === 'restore') {
			const kept = await restore({ url, loadUrl, file, home });
			console.log(`Restored ${file}. The records before it are kept as ${kept}.`);
			console.log(`To have them back: npm run restore -- ${kept} --yes`);
		} else {
			console.log(`Saved to ${await dump(url, file ?? join(ROOT, 'backups'))}`);
		}
	} finally {
		await done();
	}
});
