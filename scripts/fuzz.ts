// npm run fuzz -- [--minutes N | --requests N] [--seed N] [--workers N]   nonsense at every form, endpoint and address,
// for so long, or so often
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { attack, scout, type Attacked, type Finding } from '../tests/fuzz/attack.ts';
import { allDoors } from '../tests/fuzz/routes.ts';
import { nonsenseStored } from '../tests/fuzz/stored.ts';
import { instant } from '../src/lib/core/time/index.ts';
import { idMaker } from '../src/lib/server/clock.ts';
import { main } from './say.mjs';
import { withTemplateWorld } from './template-world.ts';
import { TEST_START } from './test-engine.mjs';

/** After so many requests it says how far it is. */
const EACH = 5000;
/** A world that was written to so often is slow with what was stored: the next requests go to a new one. */
const WORLD = 10_000;

function option(name: string, usual: number): number {
	const i = process.argv.indexOf(`--${name}`);
	const value = i < 0 ? usual : Number(process.argv[i + 1]);
	if (!(value > 0)) throw new Error(`--${name} needs a number above 0`);
	return value;
}

/** What the server caught and reported: nobody was refused, and yet something is wrong. Once each, with its place. */
function reported(logFile: string): ReadonlyMap<string, number> {
	const counts = new Map<string, number>();
	for (const line of readFileSync(logFile, 'utf8').split('\n')) {
		const { message, stack } = /^{/.test(line) ? (JSON.parse(line) as Record<string, string>) : {};
		if (message === undefined) continue;
		const key = (stack ?? message)
			.split('\n')
			.slice(0, 6)
			.join('\n')
			.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, '…');
		counts.set(key, (counts.get(key) ?? 0) + 1);
	}
	return counts;
}

interface Found {
	requests: number;
	readonly findings: Finding[];
	readonly stored: string[];
	readonly caught: Map<string, number>;
}

/** Asks one world until it was asked often enough, and adds what was found to `found`. */
async function attackWorld(
	seed: number,
	workers: number,
	found: Found,
	enough: () => boolean
): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-fuzz-'));
	const logFile = join(folder, 'server.log');
	const log = openSync(logFile, 'w');
	const env = { TEVRIK_CLOCK: `${TEST_START},1`, TEVRIK_LOG_LEVEL: 'error' };
	await withTemplateWorld({ env, log }, async ({ origin, migrationUrl }) => {
		const begun = Date.now();
		const nowMs = Date.parse(TEST_START);
		const newId = idMaker({ now: () => instant(nowMs) });
		const attacked: Attacked = await scout(origin, nowMs, newId, [newId(), newId()]);
		const doors = allDoors();
		const results = await Promise.all(
			Array.from({ length: workers }, (_, i) => attack(doors, attacked, seed + i, enough, 0.08))
		);
		found.findings.push(...results.flatMap((r) => r.findings));
		found.requests += results.reduce((sum, r) => sum + r.requests, 0);
		found.stored.push(...(await nonsenseStored(migrationUrl, nowMs + (Date.now() - begun))));
	});
	for (const [what, times] of reported(logFile))
		found.caught.set(what, (found.caught.get(what) ?? 0) + times);
	closeSync(log);
	rmSync(folder, { recursive: true, force: true });
}

await main(async () => {
	const most = process.argv.includes('--requests') ? option('requests', 1) : null;
	const [minutes, seed, workers] = [option('minutes', 5), option('seed', 1), option('workers', 4)];
	const begun = Date.now();
	const until = begun + minutes * 60_000;
	const found: Found = { requests: 0, findings: [], stored: [], caught: new Map() };
	let sent = 0;
	let told = false;
	// Whoever has seen enough is told what was found so far.
	process.once('SIGINT', () => (told = true));
	const over = () => told || (most === null ? Date.now() > until : sent >= most);
	for (let world = 0; !over(); world++) {
		const end = sent + WORLD;
		await attackWorld(seed + world * workers, workers, found, () => {
			if (++sent % EACH === 0)
				console.error(`${sent} sent in ${Math.round((Date.now() - begun) / 60_000)} minutes`);
			return sent > end || over();
		});
	}
	const { requests, findings, stored, caught } = found;
	const count = (what: Finding['what']) => findings.filter((f) => f.what === what).length;
	const shown = new Map(findings.map((f) => [`${f.what} ${f.door}`, f]));
	for (const [name, { sent, answer }] of shown)
		console.log(`\n${name}\n  ${sent}\n  ${answer.replaceAll('\n', ' ')}`);
	for (const line of stored.slice(0, 40)) console.log(`stored: ${line}`);
	for (const [what, times] of caught) console.log(`\nreported ${times} times: ${what}`);
	console.log(
		`\n${requests} requests to ${allDoors().length} doors in ${Math.round((Date.now() - begun) / 60_000)} minutes (seed ${seed}):`,
		`${count('failed')} answered 5xx, ${caught.size} kinds of fault reported, ${stored.length} nonsense stored, ${count('nameless')} answered without the name of a field`
	);
	if (findings.length + stored.length + caught.size > 0) process.exitCode = 1;
});
process.exit();
