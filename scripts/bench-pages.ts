// How long pages take beside one without data, each look after a write by another process; how a restart, two hundred
// people at once and many mixed views are borne. Started by bench.mjs with a filled database and a server under way.
import { request, Agent } from 'node:http';
import { gunzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { seededRandom } from '../src/lib/core/numeric/index.ts';
import { ALK_SYRINGE } from '../src/lib/core/method/index.ts';
import { instant } from '../src/lib/core/time/index.ts';
import { idMaker } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { createServices } from '../src/lib/server/services.ts';
import { serve } from './application.mjs';
import { freePort } from './database.mjs';

interface Aim {
	readonly name: string;
	readonly value: number;
	readonly most: number;
	readonly unit: string;
}

const LOOKS = 15;
const PEOPLE = 200;
const EACH_MS = 10_000;
const RESTARTS = 3;
const CROWD_MS = 40_000;
const MIXED_VIEWS = 5000;
const MIXED_AT_ONCE = 8;

const need = (name: string): string => {
	const value = process.env[name];
	if (!value) throw new Error(`${name} is not set; npm run bench sets it`);
	return value;
};
const origin = need('BENCH_ORIGIN');
const cookie = need('BENCH_COOKIE');
const personId = need('BENCH_PERSON');
const pid = Number(need('BENCH_PID'));
const oldWater = process.env.BENCH_OLD_WATER ?? null;

const connection = connect(need('DATABASE_URL'));
const { db } = connection;
const clock = { now: () => instant(Date.now()) };
const deps = { db, clock, newId: idMaker(clock) };
const services = createServices(deps);
const person = { id: personId, displayName: 'Keeper' };

const agent = new Agent({ keepAlive: true, maxSockets: 512 });
/** A look: how long until its first byte and its end, ms, and what came over the wire, bytes. */
function look(
	path: string,
	at = origin
): Promise<{ first: number; ms: number; wire: number; plain: number }> {
	return new Promise((done, failed) => {
		const start = performance.now();
		const headers = { cookie, accept: 'text/html', 'accept-encoding': 'gzip' };
		request(at + path, { agent, headers }, (response) => {
			const parts: Buffer[] = [];
			let first = 0;
			response.on('data', (part: Buffer) => {
				first ||= performance.now() - start;
				parts.push(part);
			});
			response.once('end', () => {
				const ms = performance.now() - start;
				const body = Buffer.concat(parts);
				if (response.statusCode !== 200) return failed(new Error(`${path}: ${response.statusCode}`));
				const packed = response.headers['content-encoding'] === 'gzip';
				done({ first, ms, wire: body.length, plain: packed ? gunzipSync(body).length : body.length });
			});
		})
			.once('error', failed)
			.end();
	});
}
const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;
const atShare = (all: readonly number[], share: number) =>
	[...all].sort((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * share))]!;
const residentMb = () =>
	Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1000;

const first = await services.water.firstWater(person);
const opened = (await services.water.openWater(person, first!))!;
const waters = opened.reach.filter((r) => r.scope.siteId === opened.scope.siteId).map((r) => r.water.id);
const own = opened.water.id;
const other = waters.find((id) => id !== own)!;

/** A reading, kept by this process: the server knows nothing of it but what the records say. */
async function write(waterId: string): Promise<void> {
	const open = (await services.water.openWater(person, waterId))!;
	const at = clock.now();
	const left = Math.round(40 + 2 * Math.sin(at)) / 100;
	const saved = await services.reading.saveTestRun(open.scope, {
		id: deps.newId(),
		sampleId: deps.newId(),
		readingId: deps.newId(),
		waterId,
		methodCode: ALK_SYRINGE.code,
		methodVersion: ALK_SYRINGE.version,
		drawnAt: at,
		startedAt: at,
		finishedAt: at,
		offsetMinutes: 0,
		reading: {
			form: 'syringe',
			portion: 'full',
			readAs: 'left',
			fills: [{ startMl: 1, end: { lowerMl: left, upperMl: left } }],
			sure: true
		},
		stepLog: [],
		note: ''
	});
	if (!saved.ok) throw new Error(`a reading was refused: ${saved.fault.code}`);
}

const aims: Aim[] = [];
const aim = (name: string, value: number, most: number, unit = 'x help') => {
	aims.push({ name, value, most, unit });
	console.log(`${name}: ${value.toFixed(1)} ${unit} (aim: at most ${most})`);
};

const ofWater = (id: string, view: string) => `/waters/${id}/${view}`;

/** A page beside one without data, look by look, each after a write to `touched`. */
async function ratioOf(path: string, touched: string | null): Promise<{ ratio: number; wire: number }> {
	const [pages, helps]: [number[], number[]] = [[], []];
	let wire = 0;
	await look(path);
	for (let i = 0; i < LOOKS; i++) {
		// Its own frame tells of dangers: it must not reckon for the page what the page is measured by.
		helps.push((await look(ofWater(own, 'help'))).ms);
		if (touched) await write(touched);
		const seen = await look(path);
		pages.push(seen.ms);
		wire = seen.wire;
	}
	return { ratio: median(pages) / median(helps), wire };
}

const VIEWS = [
	['today', 4],
	['trends', 8],
	['board', 4],
	['bench', 4],
	['log', 4],
	['adjust', 4],
	['findings', 8]
] as const;
for (const [view, most] of VIEWS) {
	const { ratio, wire } = await ratioOf(ofWater(own, view), other);
	aim(`${view}, after a write to another water`, ratio, most);
	if (view === 'trends') aim('trends over the wire', wire / 1000, 60, 'kB');
}

/** The first look at Today of a server that has just been started, beside pages without data of the same server. */
async function afterRestart(): Promise<number> {
	const ratios: number[] = [];
	for (let i = 0; i < RESTARTS; i++) {
		const env = { DATABASE_URL: need('DATABASE_URL'), TEVRIK_REQUESTS_PER_MINUTE: '1000000' };
		const fresh = await serve({ port: await freePort(), quiet: true, env });
		// By another water's pages: what a server compiles and connects at its first page is none of Today's work.
		for (let n = 0; n < 3; n++) await look(ofWater(other, 'help'), fresh.origin);
		const helps: number[] = [];
		for (let n = 0; n < 5; n++) helps.push((await look(ofWater(other, 'help'), fresh.origin)).ms);
		ratios.push((await look(ofWater(own, 'today'), fresh.origin)).ms / median(helps));
		await fresh.stop();
	}
	return median(ratios);
}
aim('today, first look after a restart', await afterRestart(), 15);
aim('today, first look after a save to this water', (await ratioOf(ofWater(own, 'today'), own)).ratio, 8);
if (oldWater) {
	for (const [view, most] of VIEWS) {
		if (view !== 'board')
			aim(`${view} of ten years`, (await ratioOf(ofWater(oldWater, view), other)).ratio, most);
	}
	aim('first byte of the log as CSV', (await look(ofWater(oldWater, 'log.csv'))).first, 100, 'ms');
	aim(
		'today of ten years, after a save to it',
		(await ratioOf(ofWater(oldWater, 'today'), oldWater)).ratio,
		8
	);
}

/** Two hundred people, each looking once in ten seconds, at random. */
const random = seededRandom(200);
const idle = median(
	await Promise.all(Array.from({ length: 5 }, async () => (await look(ofWater(own, 'today'))).ms))
);
const times: number[] = [];
const statics: number[] = [];
let faults = 0;
const crowd: Promise<void>[] = [];
const until = performance.now() + CROWD_MS;
while (performance.now() < until) {
	const view = VIEWS[[0, 1, 4, 3][Math.floor(random() * 4)]!]![0];
	const water = waters[Math.floor(random() * waters.length)]!;
	crowd.push(
		look(ofWater(water, view)).then(
			({ ms }) => void times.push(ms),
			() => void faults++
		)
	);
	if (crowd.length % 20 === 0) crowd.push(look('/icon.svg').then(({ ms }) => void statics.push(ms)));
	if (crowd.length % 50 === 0) crowd.push(write(water));
	const gap = (-Math.log(1 - random()) * EACH_MS) / PEOPLE;
	await new Promise((next) => setTimeout(next, gap));
}
await Promise.all(crowd);
aim('two hundred people, slowest in a hundred', atShare(times, 0.99) / idle, 10, 'x idle');
aim('two hundred people, errors', faults, 0, 'of ' + times.length);
aim('a file of the application meanwhile', atShare(statics, 0.95), 50, 'ms');

/** Memory after many views. */
let views = 0;
await Promise.all(
	Array.from({ length: MIXED_AT_ONCE }, async () => {
		while (views++ < MIXED_VIEWS) {
			const [view] = VIEWS[Math.floor(random() * VIEWS.length)]!;
			await look(ofWater(waters[Math.floor(random() * waters.length)]!, view));
		}
	})
);
aim(`memory after ${MIXED_VIEWS} views`, residentMb(), 300, 'MB');

await connection.close();
agent.destroy();
const missed = aims.filter((a) => a.value > a.most);
for (const { name, value, most, unit } of missed)
	console.log(`missed: ${name}: ${value.toFixed(1)} of ${most} ${unit}`);
if (missed.length > 0 && process.argv.includes('--check')) process.exitCode = 1;
