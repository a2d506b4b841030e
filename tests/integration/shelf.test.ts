import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { NO_DETAILS, type AddItem } from '../../src/lib/contract/shelf.ts';
import { waveOf } from '../../src/lib/contract/wave.ts';
import { ALK_DROPS, ALK_SYRINGE, CA_MG_PAIR } from '../../src/lib/core/method/index.ts';
import type { TestResult } from '../../src/lib/core/reading/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const HABITS: ShelfHabits = { trust: 'standards', unused: 'discard' };
let database: OwnDatabase;
let world: World;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
});
afterAll(async () => {
	await world.close();
	await database.drop();
});

type Site = Awaited<ReturnType<World['site']>>;

function item(site: Site, change: Partial<AddItem>): AddItem {
	return {
		id: world.deps.newId(),
		waterId: site.waterId,
		kind: 'kit',
		name: 'Alkalinity by syringe',
		lotCode: 'L7',
		methodCode: ALK_SYRINGE.code,
		methodVersion: ALK_SYRINGE.version,
		price: 14,
		boughtAt: addDays(NOON, -40),
		expiresAt: addDays(NOON, 400),
		details: {
			...NO_DETAILS,
			tests: 60,
			bottles: [
				{ reagent: 'A', unit: 'ml', full: 10 },
				{ reagent: 'B', unit: 'ml', full: 60 }
			]
		},
		...change
	};
}
async function put(site: Site, change: Partial<AddItem> = {}): Promise<string> {
	const command = item(site, change);
	expect(await world.services.shelf.addToShelf(site.scope, command)).toMatchObject({ ok: true });
	return command.id;
}
const standard = (site: Site) =>
	put(site, {
		kind: 'standard',
		name: 'Check solution, major ions',
		methodCode: null,
		methodVersion: null,
		details: { ...NO_DETAILS, contents: [{ parameter: 'alkalinity', value: 8.1, u: 0.04 }] }
	});
async function note(site: Site, itemId: string, kind: string, details: object): Promise<void> {
	const common = { id: world.deps.newId(), waterId: site.waterId, itemId, note: '', happenedAt: world.now };
	const outcome = await world.services.shelf.noteItem(site.scope, { ...common, kind, details } as never);
	expect(outcome).toMatchObject({ ok: true });
}
/** A test with the kit, the plunger at `left`; of the standard where one is named. */
async function read(site: Site, itemIds: string[], left: number, standardId?: string): Promise<string> {
	const run = testRun(world, site.waterId);
	const fills = [{ startMl: 1, end: { lowerMl: left, upperMl: left } }];
	const command = {
		...run,
		reading: { ...run.reading, fills },
		itemIds,
		...(standardId ? { standardId } : {})
	};
	expect(await world.services.reading.saveTestRun(site.scope, command)).toMatchObject({ ok: true });
	return run.id;
}
async function logged(site: Site): Promise<Map<string, readonly TestResult[]>> {
	const { entries } = await world.services.log.readLog(site.scope, {
		waterId: site.waterId,
		what: null,
		before: null
	});
	return new Map(entries.flatMap((e) => (e.type === 'reading' ? [[e.runId, e.results] as const] : [])));
}
const thing = async (site: Site, id: string) => {
	const found = await world.ask('thing', site.water.id, HABITS, id);
	if (!found) throw new Error('it is not on the shelf');
	return found;
};

describe('a kit on the shelf', () => {
	it('is opened, used up and due for a check, and says which bottle ends first', async () => {
		const site = await world.site('shelf');
		const kit = await put(site);
		world.now = addDays(NOON, -8);
		await note(site, kit, 'opened', { sameLeaflet: true });
		world.now = NOON;
		for (let i = 0; i < 3; i++) await read(site, [kit], 0.4);
		const { thing: now } = await thing(site, kit);
		// Nothing on the shelf could prove it yet.
		expect(now).toMatchObject({ tested: 3, due: null, openedAt: addDays(NOON, -8) });
		await standard(site);
		expect((await thing(site, kit)).thing.due).toBe('new');
		// A whole filling goes with every test, unless what is unused is put back.
		expect(now.bottles.find((b) => b.reagent === 'B')).toMatchObject({ left: 57, perTest: 1, short: 0 });
		expect(now.supply.testsLeft).toEqual({ tests: 57, endsFirst: 'B' });
		expect(now.cost.full).toBeCloseTo(14 / 60, 9);
		await note(site, kit, 'counted', { reagent: 'B', amount: 5 });
		expect((await thing(site, kit)).thing.supply.testsLeft).toEqual({ tests: 5, endsFirst: 'B' });
		const shelf = await world.ask('shelf', site.water.id, HABITS);
		expect(shelf.toBuy).toMatchObject([{ methodCode: 'alk-syringe', why: 'used-up' }]);
	});
	it('that was off is found so, corrected, and corrected no more, to the last bit', async () => {
		const site = await world.site('check');
		const kit = await put(site);
		const other = await put(site, { lotCode: 'L8' });
		const solution = await standard(site);
		const old = await read(site, [kit], 0.4);
		const untouched = await read(site, [other], 0.4);
		const before = await logged(site);
		world.now = addDays(NOON, 1);
		const runs = [await read(site, [kit], 0.38, solution), await read(site, [kit], 0.38, solution)];
		// Standards are no water: the log of the tank knows nothing of them.
		expect((await logged(site)).size).toBe(2);

		const finished = await world.services.shelf.finishCheck(site.scope, {
			id: world.deps.newId(),
			waterId: site.waterId,
			itemId: kit,
			parameter: 'alkalinity',
			runIds: runs
		});
		if (!finished.ok) throw new Error(finished.fault.code);
		const { checkId, finding } = finished.value;
		expect(finding).toMatchObject({ correction: { kind: 'factor' } });
		expect(finding.standards[0]!.mean).toBeGreaterThan(8.5);

		const moves = await world.services.shelf.previewDecision(site.scope, checkId, {
			decision: 'accept',
			span: 'all'
		});
		expect(moves).toHaveLength(1);
		expect(moves![0]).toMatchObject({ parameter: 'alkalinity' });
		expect(await logged(site)).toEqual(before);

		const decide = (decision: 'accept' | 'withdraw', span: 'all' | 'from-check' = 'all') =>
			world.services.shelf.decideCheck(site.scope, {
				id: world.deps.newId(),
				waterId: site.waterId,
				checkId,
				decision,
				span,
				retire: false,
				note: ''
			});
		expect(await decide('accept')).toMatchObject({ value: { moved: 1 } });
		const after = await logged(site);
		expect(after.get(untouched)).toEqual(before.get(untouched));
		const value = (results: readonly TestResult[] | undefined) =>
			results?.[0]?.kind === 'value' ? results[0].value : NaN;
		expect(value(after.get(old)) / value(before.get(old))).toBeCloseTo(8.1 / finding.standards[0]!.mean, 9);
		// A reading made from now on is corrected at once, and so is a corrected one.
		world.now = addDays(NOON, 2);
		const later = await read(site, [kit], 0.4);
		expect(value((await logged(site)).get(later))).toBeCloseTo(value(after.get(old)), 12);
		expect((await thing(site, kit)).checks).toMatchObject([{ id: checkId, accepted: true }]);

		expect(await decide('withdraw')).toMatchObject({ value: { moved: 2 } });
		expect((await logged(site)).get(old)).toEqual(before.get(old));
		expect((await thing(site, kit)).checks).toMatchObject([{ accepted: false }]);
		// From the check on: what was read before stays.
		expect(await decide('accept', 'from-check')).toMatchObject({ value: { moved: 1 } });
		expect((await logged(site)).get(old)).toEqual(before.get(old));
		world.now = NOON;
	});
	it('with a leaky dropper is read with wider intervals, once that is asked for', async () => {
		const site = await world.site('dropper');
		const kit = await put(site, {
			name: 'Alkalinity by drops',
			methodCode: ALK_DROPS.code,
			methodVersion: ALK_DROPS.version
		});
		const run = testRun(world, site.waterId);
		await world.services.reading.saveTestRun(site.scope, {
			...run,
			itemIds: [kit],
			methodCode: ALK_DROPS.code,
			methodVersion: ALK_DROPS.version,
			reading: { form: 'drops', portion: 'full', least: 20, most: 20, bad: 0 }
		} as never);
		await note(site, kit, 'dropper', { reagent: 'B', state: 'leaky' });
		const { pending } = await thing(site, kit);
		expect(pending).toHaveLength(1);
		const derived = { id: world.deps.newId(), waterId: site.waterId, itemId: kit };
		expect(await world.services.shelf.deriveItemAgain(site.scope, derived)).toMatchObject({
			value: { moved: 1 }
		});
		expect((await thing(site, kit)).pending).toEqual([]);
		await note(site, kit, 'drop-size', {
			reagent: 'B',
			trial: { by: 'weighing', drops: 20, massG: 0.9, uMassG: 0.01, densityGPerMl: 1 }
		});
		expect((await thing(site, kit)).thing.bottles[1]!.dropper).toMatchObject({
			state: 'leaky',
			calibrated: { dropMl: 0.045 }
		});
	});
	it('that is off is retired together with its correction, and is off the bench', async () => {
		const site = await world.site('retired');
		const kit = await put(site);
		await note(site, kit, 'opened', { sameLeaflet: false });
		const solution = await standard(site);
		await read(site, [kit], 0.4);
		const runIds = [await read(site, [kit], 0.34, solution)];
		const check = {
			id: world.deps.newId(),
			waterId: site.waterId,
			itemId: kit,
			parameter: 'alkalinity' as const
		};
		const finished = await world.services.shelf.finishCheck(site.scope, { ...check, runIds });
		if (!finished.ok) throw new Error(finished.fault.code);
		const decided = await world.services.shelf.decideCheck(site.scope, {
			id: world.deps.newId(),
			waterId: site.waterId,
			checkId: finished.value.checkId,
			decision: 'accept',
			span: 'all',
			retire: true,
			note: 'Caked.'
		});
		expect(decided).toMatchObject({ value: { moved: 1 } });
		const { thing: now, checks } = await thing(site, kit);
		expect(now.retiredAt).toBe(world.now);
		expect(checks).toMatchObject([{ accepted: true }]);
		expect((await world.bench(site.water.id, HABITS)).kits).toEqual([]);
	});
	it('of two titrations is checked when both are', async () => {
		const site = await world.site('pair');
		const pair = await put(site, {
			name: 'Pair',
			methodCode: CA_MG_PAIR.code,
			methodVersion: CA_MG_PAIR.version
		});
		await note(site, pair, 'opened', { sameLeaflet: true });
		const marks = {
			readAs: 'used',
			fills: [{ startMl: 1, end: { lowerMl: 0.83, upperMl: 0.83 } }],
			sure: true
		};
		const contents = [
			{ parameter: 'calcium' as const, value: 425, u: 2 },
			{ parameter: 'magnesium' as const, value: 1290, u: 7 }
		];
		const both = { methodCode: null, methodVersion: null, details: { ...NO_DETAILS, contents } };
		const solution = await put(site, { kind: 'standard', name: 'Both', ...both });
		const run = {
			...testRun(world, site.waterId),
			itemIds: [pair],
			standardId: solution,
			methodCode: CA_MG_PAIR.code,
			methodVersion: CA_MG_PAIR.version,
			reading: { form: 'pair', portion: 'full', first: marks, second: marks }
		};
		expect(await world.services.reading.saveTestRun(site.scope, run as never)).toMatchObject({ ok: true });
		const finish = async (parameter: 'calcium' | 'magnesium') => {
			const check = {
				id: world.deps.newId(),
				waterId: site.waterId,
				itemId: pair,
				parameter,
				runIds: [run.id]
			};
			expect(await world.services.shelf.finishCheck(site.scope, check)).toMatchObject({ ok: true });
			return (await thing(site, pair)).thing.due;
		};
		expect(await finish('calcium')).toBe('new');
		expect(await finish('magnesium')).toBeNull();
	});
	it('is refused what does not fit', async () => {
		const site = await world.site('refused');
		const stranger = await world.site('stranger');
		const kit = await put(site);
		const theirs = await put(stranger);
		const { services } = world;
		const run = { ...testRun(world, site.waterId), itemIds: [theirs] };
		expect(await services.reading.saveTestRun(site.scope, run)).toMatchObject({
			fault: { code: 'unknown-item' }
		});
		const drops = await put(site, { methodCode: ALK_DROPS.code, methodVersion: ALK_DROPS.version });
		expect(await services.reading.saveTestRun(site.scope, { ...run, itemIds: [drops] })).toMatchObject({
			fault: { code: 'unknown-item', field: 'itemIds' }
		});
		expect(
			await services.reading.saveTestRun(site.scope, { ...run, itemIds: [kit], standardId: kit })
		).toMatchObject({
			fault: { code: 'unknown-item', field: 'standardId' }
		});
		expect(await services.shelf.addToShelf(site.scope, item(site, { methodCode: 'nothing' }))).toMatchObject({
			ok: false
		});
		expect(await services.shelf.addToShelf(site.scope, item(site, { kind: 'standard' }))).toMatchObject({
			ok: false
		});
		expect(await world.ask('thing', site.waterId, HABITS, theirs)).toBeNull();
		const check = {
			id: world.deps.newId(),
			waterId: site.waterId,
			itemId: kit,
			parameter: 'alkalinity' as const
		};
		expect(
			await services.shelf.finishCheck(site.scope, { ...check, runIds: [world.deps.newId()] })
		).toMatchObject({
			fault: { code: 'unknown-item' }
		});
		const common = { id: world.deps.newId(), waterId: site.waterId, note: '', happenedAt: NOON };
		const wrong = { ...common, itemId: kit, kind: 'counted' as const, details: { reagent: 'Z', amount: 1 } };
		expect(await services.shelf.noteItem(site.scope, wrong)).toMatchObject({ fault: { field: 'reagent' } });
		expect(
			await services.shelf.noteItem(site.scope, { ...wrong, happenedAt: addDays(NOON, 2) })
		).toMatchObject({
			fault: { code: 'in-the-future' }
		});
		await note(site, kit, 'retired', {});
		expect(
			await services.reading.saveTestRun(site.scope, { ...testRun(world, site.waterId), itemIds: [kit] })
		).toMatchObject({
			fault: { code: 'kit-retired' }
		});
	});
});

describe('a photograph', () => {
	/** A real picture that says where it was taken. */
	let jpeg: Uint8Array;
	beforeAll(async () => {
		const picture = sharp({ create: { width: 24, height: 18, channels: 3, background: '#3a7' } });
		jpeg = await picture
			.withExif({ IFD0: { ImageDescription: 'GPS of the lobby' } })
			.jpeg()
			.toBuffer();
		expect(Buffer.from(jpeg).includes('GPS')).toBe(true);
	});
	it('is kept without its metadata, seen by its own site, and refused where it does not belong', async () => {
		const site = await world.site('photographs');
		const stranger = await world.site('photographs of a stranger');
		const { services, deps } = world;
		const runId = await read(site, [], 0.41);
		const id = deps.newId();
		const sent = { id, of: { runId }, bytes: jpeg };
		expect(await services.log.keepPhotograph(site.scope, sent)).toMatchObject({ ok: true });
		expect(await services.log.keepPhotograph(site.scope, sent)).toMatchObject({ ok: true });
		expect(await services.log.photographsOf(site.scope, runId)).toEqual([id]);
		const kept = await services.log.readPhotograph(site.scope, id);
		expect(kept?.mediaType).toBe('image/jpeg');
		expect(kept?.content.includes('GPS')).toBe(false);
		expect(await services.log.readPhotograph(stranger.scope, id)).toBeNull();
		const again = { ...sent, id: deps.newId() };
		expect(await services.log.keepPhotograph(stranger.scope, again)).toMatchObject({
			fault: { code: 'unknown-item' }
		});
		expect(
			await services.log.keepPhotograph(site.scope, { ...again, bytes: new Uint8Array(100) })
		).toMatchObject({
			fault: { code: 'not-a-photograph' }
		});
		expect(
			await services.log.keepPhotograph(site.scope, { ...again, bytes: new Uint8Array(3_000_000) })
		).toMatchObject({
			fault: { code: 'too-large' }
		});
		const { entries } = await services.log.readLog(site.scope, {
			waterId: site.waterId,
			what: null,
			before: null
		});
		expect(entries[0]).toMatchObject({ photographs: [id] });
		for (let i = 0; i < 5; i++) await services.log.keepPhotograph(site.scope, { ...sent, id: deps.newId() });
		expect(await services.log.keepPhotograph(site.scope, { ...sent, id: deps.newId() })).toMatchObject({
			ok: false
		});
	});
});

describe('a voice note', () => {
	it('is kept beside what was read, apart from the photographs, and nowhere else', async () => {
		const site = await world.site('voice notes');
		const { services, deps } = world;
		const runId = await read(site, [], 0.41);
		const bytes = waveOf(new Uint8Array(3200).fill(7));
		const sent = { id: deps.newId(), of: { runId }, bytes };
		expect(await services.log.keepPhotograph(site.scope, sent)).toMatchObject({ ok: true });
		expect(await services.log.voiceNotesOf(site.scope, runId)).toEqual([sent.id]);
		expect(await services.log.photographsOf(site.scope, runId)).toEqual([]);
		const kept = await services.log.readPhotograph(site.scope, sent.id);
		expect(kept?.mediaType).toBe('audio/wav');
		expect(new Uint8Array(kept!.content)).toEqual(bytes);
		const { entries } = await services.log.readLog(site.scope, {
			waterId: site.waterId,
			what: null,
			before: null
		});
		expect(entries[0]).toMatchObject({ photographs: [], voiceNotes: 1 });
		const itemId = await put(site);
		expect(
			await services.log.keepPhotograph(site.scope, { id: deps.newId(), of: { itemId }, bytes })
		).toMatchObject({ fault: { code: 'unknown-item' } });
		expect(
			await services.log.takePhotographBack(site.scope, {
				id: deps.newId(),
				waterId: site.waterId,
				photographId: sent.id
			})
		).toMatchObject({ ok: true });
		expect(await services.log.voiceNotesOf(site.scope, runId)).toEqual([]);
	});
});

describe('the bench', () => {
	it('knows the kits that are opened and the standards, with what corrects them', async () => {
		const site = await world.site('bench');
		const opened = await put(site);
		await put(site, { lotCode: 'closed' });
		const solution = await standard(site);
		await note(site, opened, 'opened', { sameLeaflet: true });
		await note(site, opened, 'dropper', { reagent: 'B', state: 'uneven' });
		const bench = await world.bench(site.water.id, HABITS);
		expect(bench.kits).toMatchObject([
			{ id: opened, methodCode: 'alk-syringe', droppers: { B: { state: 'uneven' } } }
		]);
		expect(bench.standards).toMatchObject([{ id: solution, contents: [{ parameter: 'alkalinity' }] }]);
		const beside = await world.ask('kits', site.water.id, HABITS, 'alkalinity');
		expect(beside.find((k) => k.method.code === 'alk-syringe')).toMatchObject({ lots: 2 });
		expect(beside.every((k) => k.merits.totalS >= k.merits.handsS)).toBe(true);
	});
});
