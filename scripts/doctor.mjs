// npm run doctor   says what is wrong with this Tevrik, in sentences; ends with 1 where something is
import { existsSync, readdirSync, readFileSync, statfsSync, statSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { join } from 'node:path';
import { connect } from 'node:tls';
import { ensurePackages, findProgram, HOME, OWN_HOME, ROOT } from './bootstrap.mjs';
import { diagnose } from './diagnosis.mjs';
import { reach } from './reach.mjs';
import { main } from './say.mjs';

const WAIT_MS = 5000;
const asDemo = process.argv.includes('--demo') || !existsSync(join(OWN_HOME, 'database'));
const home = asDemo ? HOME : OWN_HOME;
const hasRecords = existsSync(join(home, 'database'));

async function databaseFacts() {
	if (!findProgram('mariadbd')) return { fault: 'MariaDB is not installed' };
	if (!hasRecords) return { fault: 'there is none yet' };
	try {
		const { default: mysql } = await import('mysql2/promise');
		const { url, done } = await reach();
		const connection = await mysql.createConnection(url);
		try {
			const [[{ version }]] = await connection.query('select version() as version');
			const journal = JSON.parse(readFileSync(join(ROOT, 'drizzle/meta/_journal.json'), 'utf8'));
			const known = new Set(journal.entries.map((e) => e.tag));
			const [rows] = await connection.query('select distinct migration from schema_step');
			const applied = new Set(rows.map((r) => r.migration));
			const [[{ at }]] = await connection.query(
				'select unix_timestamp(max(received_at)) * 1000 as at from command_receipt'
			);
			return {
				version: `MariaDB ${version}`,
				missingMigrations: [...known].filter((tag) => !applied.has(tag)).length,
				unknownMigrations: [...applied].filter((tag) => !known.has(tag)).length,
				lastRecordAt: at === null ? null : Number(at)
			};
		} finally {
			await connection.end();
			await done();
		}
	} catch (fault) {
		return { fault: fault.message };
	}
}

function newestBackup(folder) {
	if (!existsSync(folder)) return null;
	const times = readdirSync(folder)
		.filter((name) => name.endsWith('.sql.gz'))
		.map((name) => statSync(join(folder, name)).mtimeMs);
	return times.length === 0 ? null : Math.max(...times);
}

async function addressFacts() {
	const file = join(home, 'address');
	if (!existsSync(file)) return { origin: null };
	const origin = readFileSync(file, 'utf8').trim();
	try {
		await fetch(`${origin}/icon.svg`, { signal: AbortSignal.timeout(WAIT_MS) });
		return { origin };
	} catch (fault) {
		return { origin, fault: fault.cause?.code ?? fault.message };
	}
}

function served(host, port) {
	return new Promise((done) => {
		const socket = connect(
			{ host, port, servername: host, rejectUnauthorized: false, timeout: WAIT_MS },
			() => {
				const { valid_to: until } = socket.getPeerCertificate();
				socket.end();
				done({ of: host, until: Date.parse(until) });
			}
		);
		socket.once('error', (fault) => done({ of: host, fault: fault.message }));
		socket.once('timeout', () => socket.destroy(new Error('no answer')));
	});
}

async function certificateFacts({ origin }) {
	const found = [];
	const house = join(home, 'house/house.crt');
	if (existsSync(house)) {
		found.push({ of: 'the house', until: Date.parse(new X509Certificate(readFileSync(house)).validTo) });
	}
	if (origin?.startsWith('https:')) {
		const { hostname, port } = new URL(origin);
		found.push(await served(hostname, Number(port || 443)));
	}
	return found;
}

/** Whether the machine's clock is set by the network; null where nobody says. */
function clockSynced() {
	const said = spawnSync('timedatectl', ['show', '--property=NTPSynchronized', '--value'], {
		encoding: 'utf8'
	});
	const word = said.status === 0 ? said.stdout.trim() : '';
	return word === 'yes' ? true : word === 'no' ? false : null;
}

await main(async () => {
	ensurePackages();
	const { lastRecordAt = null, ...database } = await databaseFacts();
	const address = await addressFacts();
	const { bavail, bsize } = statfsSync(existsSync(home) ? home : ROOT);
	const secret = join(home, 'secret');
	const folder = process.env.TEVRIK_BACKUPS ?? join(ROOT, 'backups');
	const findings = diagnose({
		now: Date.now(),
		nodeVersion: process.versions.node,
		database,
		disk: { path: home, freeBytes: bavail * bsize },
		lastRecordAt,
		clockSynced: clockSynced(),
		hasRecords: hasRecords && !asDemo,
		backups: { folder, newestAt: newestBackup(folder) },
		address,
		certificates: await certificateFacts(address),
		secretMode: existsSync(secret) ? statSync(secret).mode : null
	});
	console.log(asDemo ? 'The demo:\n' : 'Your own Tevrik:\n');
	for (const { isWrong, text } of findings) console.log(`${isWrong ? 'WRONG ' : 'well  '} ${text}`);
	const wrong = findings.filter((f) => f.isWrong).length;
	console.log(
		wrong === 0 ? '\nNothing is wrong.' : `\n${wrong === 1 ? 'One thing is' : `${wrong} things are`} wrong.`
	);
	if (wrong > 0) process.exitCode = 1;
});
process.exit();
