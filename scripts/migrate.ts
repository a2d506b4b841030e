// Brings a database to the newest schema, after a dump where it held anything.
import { grantToApplication } from '../src/lib/server/db/grants.ts';
import { migrate, pendingSteps } from '../src/lib/server/db/migrator.ts';
import { dump } from './dump.mjs';

const url = process.env.MIGRATION_DATABASE_URL;
if (!url) throw new Error('MIGRATION_DATABASE_URL is not set');
const folder = new URL('../drizzle', import.meta.url).pathname;

const before = await pendingSteps(url, folder);
if (before.pending > 0) {
	if (before.done > 0 && process.env.TEVRIK_DUMPS) {
		const file = await dump(url, process.env.TEVRIK_DUMPS);
		console.log(`Kept the records as they were in ${file}`);
	}
	await migrate(url, folder);
}
if (process.env.TEVRIK_APPLICATION_USER) await grantToApplication(url, process.env.TEVRIK_APPLICATION_USER);
