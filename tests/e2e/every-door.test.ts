import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { demoMember, TEST_START } from '../../scripts/test-engine.mjs';
import { ROLES, type Role } from '../../src/lib/core/access/index.ts';
import { seededRandom } from '../../src/lib/core/numeric/index.ts';
import { fromIso, instant } from '../../src/lib/core/time/index.ts';
import { idMaker } from '../../src/lib/server/clock.ts';
import { addMembership, addPerson } from '../../src/lib/server/repository/founding.ts';
import { formsIn } from '../fuzz/forms.ts';
import { allDoors, type Door } from '../fuzz/routes.ts';
import { SPECS, type Target } from '../fuzz/specs.ts';
import { openWorld } from '../support/site.ts';
import { startWorld, type World } from './world.ts';

/** Nobody, somebody of another site, and a member by each role. */
type Asker = 'nobody' | 'stranger' | Role;
const ASKERS: readonly Asker[] = ['nobody', 'stranger', ...[...ROLES].reverse()];

/** What a helper may change: by these doors and by no other of a site. */
const OF_A_HELPER = new Set([
	'POST /api/waters/[water]/boxes',
	'POST /api/waters/[water]/bottles',
	'POST /api/waters/[water]/practice',
	'POST /api/waters/[water]/photographs',
	'POST /api/waters/[water]/photographs/withdrawals',
	'POST /api/waters/[water]/reports',
	'POST /api/waters/[water]/sessions',
	'POST /api/waters/[water]/test-runs',
	'POST /waters/[water]/adjust/plans/[plan]?/step',
	'POST /waters/[water]/laboratory',
	'POST /waters/[water]/guests?/add',
	'POST /waters/[water]/practice?/decide',
	'POST /waters/[water]/practice?/share',
	'POST /waters/[water]/purified',
	'POST /waters/[water]/sets',
	'POST /waters/[water]/log/[reading]?/correct',
	'POST /waters/[water]/log/[reading]?/keep',
	'POST /waters/[water]/log/new',
	'POST /waters/[water]/log/result',
	// Their own digits.
	'POST /waters/[water]/people?/pin'
]);
/** What belongs to no site comes and goes with who is signed in, what was reckoned, and who waited for whom. */
const PASSING = /^(auth_|kept_track|revision|sign_in_session|failed_try|reset_link|beginning)/;
/** What nobody outside of the site may be told: names, and who belongs to it. */
const INSIDE = ['Lobby reef', 'Quay library', 'Paludarium'];

let world: World;
let raw: mysql.Connection;
let target: Target;
const cookies = new Map<Asker, string>();
let ids: readonly string[];

beforeAll(async () => {
	const templates = inject('templates');
	world = await startWorld({
		signIn: false,
		env: { TEVRIK_SECRET: 'a secret for tests, of no use to anybody' }
	});
	raw = await mysql.createConnection(world.migrationUrl);
	const records = openWorld(world.databaseUrl);
	records.now = fromIso(new Date(Date.parse(TEST_START)).toISOString().replace('.000Z', 'Z'));
	const enter = async (asker: Asker, personId: string) => {
		const started = await records.services.account.startSession(personId);
		cookies.set(asker, `tevrik_session=${started!.token}`);
	};
	const owner = { id: demoMember(templates), displayName: 'Keeper' };
	await enter('owner', owner.id);
	const waterId = (await records.services.water.firstWater(owner))!;
	const { scope } = (await records.services.water.openWater(owner, waterId))!;
	for (const role of ROLES.filter((r) => r !== 'owner')) {
		const person = { id: records.deps.newId(), displayName: `A ${role}`, createdAt: records.now };
		await addPerson(records.deps.db, person);
		await addMembership(records.deps.db, {
			...{ siteId: scope.siteId, id: records.deps.newId(), personId: person.id },
			...{ role, fromAt: records.now, untilAt: null }
		});
		await enter(role, person.id);
	}
	const other = await records.site('another');
	const [[stranger]] = await raw.query<mysql.RowDataPacket[]>(
		`select person_id as id from membership where site_id = '${other.siteId}'`
	);
	await enter('stranger', String(stranger!.id));
	await records.close();

	const nowMs = Date.parse(TEST_START);
	const linked = async (page: string, kind: RegExp) => {
		const { text } = await ask('owner', `/waters/${waterId}${page}`);
		return [...new Set([...text.matchAll(kind)].map((m) => m[1]!))];
	};
	const [reading, item, plan] = await Promise.all([
		linked('/log', /\/log\/([0-9a-f-]{36})/g),
		linked('/shelf', /\/shelf\/([0-9a-f-]{36})/g),
		linked('/adjust', /\/adjust\/plans\/([0-9a-f-]{36})/g)
	]);
	target = { waterId, nowMs, newId: idMaker({ now: () => instant(nowMs) }), known: { reading, item, plan } };
	ids = [...reading, ...item, ...plan];
	expect([reading.length, item.length, plan.length].every((n) => n > 0)).toBe(true);
});
afterAll(async () => {
	await raw.end();
	await world.stop();
});

interface Sent {
	readonly status: number;
	readonly text: string;
	readonly location: string;
}
async function ask(asker: Asker, path: string, init: RequestInit = {}): Promise<Sent> {
	const cookie = cookies.get(asker);
	const response = await fetch(world.origin + path, {
		redirect: 'manual',
		...init,
		headers: {
			accept: 'text/html',
			...(init.headers as Record<string, string>),
			...(cookie ? { cookie } : {}),
			...(init.method === 'POST' ? { origin: world.origin } : {})
		}
	});
	const text = await response.text();
	return { status: response.status, text, location: response.headers.get('location') ?? '' };
}

const placed = ({ path }: Door) =>
	path
		.replace('[water]', target.waterId)
		.replace('[reading]', target.known.reading[0]!)
		.replace('[item]', target.known.item[0]!)
		.replace('[plan]', target.known.plan[0]!)
		.replace('[photograph]', target.newId())
		.replace('[token]', 'x'.repeat(43))
		.replace('[code]', 'alk-syringe')
		.replace('[happening]', 'death')
		.replace('[event]', '01a2304c-9e18-709d-8d13-d98f8582c75c');

const chance = seededRandom(7);
/** A good request at a door, as its owner's page would send it. */
async function request(door: Door): Promise<RequestInit> {
	const spec = SPECS[door.name]!;
	if (spec.kind === 'ask') return {};
	if (spec.kind === 'json') {
		const headers = { 'content-type': 'application/json' };
		return { method: 'POST', headers, body: JSON.stringify(spec.command(chance, target)) };
	}
	if (spec.kind === 'bytes') {
		return { method: 'POST', headers: { 'content-type': 'image/png' }, body: new Uint8Array(50) };
	}
	const { text } = await ask('owner', placed(door) + (spec.at?.[0] ?? ''));
	const found = formsIn(text).find((f) =>
		door.action === '' ? !f.action.includes('?/') : f.action.endsWith(door.action)
	);
	const fields = new Map((found?.fields ?? []).map(([name, value]) => [name, value]));
	for (const [name, value] of Object.entries(spec.fields ?? {}))
		if (!fields.get(name)) fields.set(name, value);
	fields.set('id', target.newId());
	return { method: 'POST', body: new URLSearchParams([...fields]) };
}

/** A digest of everything that is kept of sites. */
async function kept(): Promise<string> {
	const [tables] = await raw.query<mysql.RowDataPacket[]>('show tables');
	const names = tables.map((t) => String(Object.values(t)[0])).filter((name) => !PASSING.test(name));
	const [sums] = await raw.query<mysql.RowDataPacket[]>(
		`checksum table ${names.map((n) => `\`${n}\``).join()}`
	);
	return JSON.stringify(sums);
}

interface Figures {
	readonly doors: number;
	readonly answers: ReadonlyMap<number, number>;
	readonly changed: readonly string[];
	readonly leaks: readonly string[];
	readonly failed: readonly string[];
}
/** Asks at every door as somebody; what came back, what changed, and what was told that should not have been. */
async function walk(asker: Asker, doors: readonly Door[]): Promise<Figures> {
	const answers = new Map<number, number>();
	const [changed, leaks, failed]: string[][] = [[], [], []];
	const isOutside = asker === 'nobody' || asker === 'stranger';
	let before = await kept();
	for (const door of doors) {
		const spec = SPECS[door.name]!;
		const at = spec.kind === 'form' ? door.action : '';
		const { status, text, location } = await ask(asker, placed(door) + at, await request(door));
		answers.set(status, (answers.get(status) ?? 0) + 1);
		if (status >= 500) failed!.push(`${door.name}: ${status}`);
		const told = [...INSIDE, ...ids].filter((inside) => text.includes(inside));
		if (isOutside && told.length > 0) leaks!.push(`${door.name}: ${told.join(', ')}`);
		if (location !== '' && !location.startsWith('/')) leaks!.push(`${door.name} leads to ${location}`);
		if (door.method === 'POST') {
			const after = await kept();
			if (after !== before) changed!.push(door.name);
			before = after;
		}
	}
	return { doors: doors.length, answers, changed: changed!, leaks: leaks!, failed: failed! };
}

const ofSite = ({ path }: Door) => path.includes('/waters/[water]');
const figuresOf = (asker: Asker, { doors, answers, changed, leaks }: Figures) =>
	`${asker.padEnd(9)} ${doors} doors, ${[...answers]
		.sort(([a], [b]) => a - b)
		.map(([status, n]) => `${n} x ${status}`)
		.join(', ')}; ${changed.length} changed something, ${leaks.length} told too much`;

describe('every route, action and endpoint', () => {
	it.each(ASKERS)(
		'asked by %s tells and changes what it should, and no more',
		async (asker) => {
			// Whoever signs out is not asked further.
			const doors = allDoors().filter((d) => !/sign-out|begin\/demo/.test(d.path));
			const figures = await walk(asker, doors);
			console.log(figuresOf(asker, figures));
			expect(figures.leaks).toEqual([]);
			expect(figures.failed).toEqual([]);
			const site = new Set(doors.filter(ofSite).map((d) => d.name));
			const changed = figures.changed.filter((name) => site.has(name));
			if (asker === 'nobody' || asker === 'stranger') expect(figures.changed).toEqual([]);
			// Their own digits are a reader's, too.
			if (asker === 'reader') expect(changed).toEqual(['POST /waters/[water]/people?/pin']);
			if (asker === 'helper') expect(changed.filter((name) => !OF_A_HELPER.has(name))).toEqual([]);
			if (asker === 'keeper') {
				expect(changed.filter((n) => /people/.test(n))).toEqual(['POST /waters/[water]/people?/pin']);
				// Otherwise a walk that finds every door shut would prove nothing.
				expect(changed.length).toBeGreaterThan(15);
			}
			if (asker === 'owner') expect(changed).toContain('POST /waters/[water]/people?/invite');
		},
		240_000
	);

	it('of a site is closed to whoever sends it from another page', async () => {
		const elsewhere = 'https://elsewhere.example';
		for (const door of allDoors().filter((d) => d.method === 'POST')) {
			const { headers, ...init } = await request(door);
			const at = SPECS[door.name]!.kind === 'form' ? door.action : '';
			const before = await kept();
			const response = await fetch(world.origin + placed(door) + at, {
				...init,
				redirect: 'manual',
				headers: { ...(headers as object), cookie: cookies.get('owner')!, origin: elsewhere }
			});
			expect({ door: door.name, status: response.status }).toEqual({ door: door.name, status: 403 });
			expect(await kept()).toBe(before);
		}
	});
});
