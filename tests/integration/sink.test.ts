import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { GUEST_DAYS } from '../../src/lib/contract/guest.ts';
import { NO_DETAILS } from '../../src/lib/contract/shelf.ts';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { ALK_SYRINGE } from '../../src/lib/core/method/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { forgetGuests } from '../../src/lib/server/service/visitor/guests.ts';
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
const newId = () => world.deps.newId();

describe('the box of a new lot', () => {
	it('is looked through once, and says so at the bench from then on', async () => {
		const { scope, water } = await world.site('box');
		const kit = newId();
		const put = await world.services.shelf.addToShelf(scope, {
			...{ id: kit, waterId: water.id, kind: 'kit', name: 'Alkalinity', lotCode: 'L1' },
			...{
				methodCode: ALK_SYRINGE.code,
				methodVersion: ALK_SYRINGE.version,
				price: 14,
				boughtAt: null,
				expiresAt: null
			},
			details: NO_DETAILS
		});
		expect(put.ok).toBe(true);
		const common = { id: newId(), waterId: water.id, itemId: kit, note: '', happenedAt: world.now };
		await world.services.shelf.noteItem(scope, { ...common, kind: 'opened', details: { sameLeaflet: true } });
		const seen = async () => {
			const { kits } = await world.services.bench.readBench(await world.open(water.id), HABITS);
			return kits.find((k) => k.id === kit)!.boxComplete;
		};
		expect(await seen()).toBeNull();
		const check = (complete: boolean, itemId = kit) =>
			world.services.shelf.checkBox(scope, { id: newId(), waterId: water.id, itemId, complete, note: '' });
		expect(await check(true)).toMatchObject({ ok: true });
		expect(await seen()).toBe(true);
		expect(await check(false)).toMatchObject({ ok: true });
		expect(await seen()).toBe(false);
		expect(await check(true, newId())).toMatchObject({ fault: { code: 'unknown-item' } });
	});
});

describe('a set of tests', () => {
	const set = (waterId: string, change: object = {}) => ({
		...{ id: newId(), waterId, setId: newId(), name: 'Saturday', weekdays: [6], atMinute: 600 },
		...{ inOrder: false, over: false },
		tests: [{ waterId, methodCode: 'alk-syringe', portion: 'full' as const, times: 1 }],
		...change
	});
	it('is kept, renamed, and given up; of another site, or of what is not there, it is refused', async () => {
		const { scope, water } = await world.site('sets');
		const other = await world.site('elsewhere');
		const first = set(water.id);
		expect(await world.services.bench.saveSet(scope, first)).toMatchObject({ ok: true });
		const names = async () => (await world.services.bench.readSets(scope)).map((s) => s.name);
		expect(await names()).toEqual(['Saturday']);
		world.now = addDays(NOON, 0.1);
		await world.services.bench.saveSet(scope, { ...first, id: newId(), name: 'Weekend' });
		expect(await names()).toEqual(['Weekend']);
		expect(await world.services.bench.readSets(other.scope)).toEqual([]);
		const strange = set(water.id, {
			tests: [{ waterId: other.water.id, methodCode: 'alk-syringe', portion: 'full', times: 1 }]
		});
		expect(await world.services.bench.saveSet(scope, strange)).toMatchObject({
			fault: { code: 'unknown-item', field: 'tests.0.waterId' }
		});
		world.now = addDays(NOON, 0.2);
		await world.services.bench.saveSet(scope, { ...first, id: newId(), over: true });
		expect(await names()).toEqual([]);
		world.now = NOON;
	});
});

describe('a stranger’s bottle', () => {
	it('is tested like a water, is none of the house’s, and is gone with its name after thirty days', async () => {
		const { scope, water, waterId } = await world.site('shop');
		const guestId = newId();
		const guest = { id: newId(), waterId: water.id, guestId, name: 'Ines', profile: 'mixed-reef' as const };
		expect(await world.services.visitor.addGuest(scope, guest)).toMatchObject({ ok: true });
		const run = { ...testRun(world, guestId), waterId: guestId };
		expect(await world.services.reading.saveTestRun(scope, run)).toMatchObject({ ok: true });
		const { siblings } = await world.open(waterId);
		expect(siblings.map((s) => s.id)).not.toContain(guestId);
		expect((await world.services.water.readWaters(scope)).map((w) => w.id)).not.toContain(guestId);
		expect((await world.services.visitor.readGuests(scope)).map((g) => g.name)).toEqual(['Ines']);

		world.now = addDays(NOON, GUEST_DAYS + 1);
		expect(await world.services.visitor.readGuests(scope)).toEqual([]);
		const second = { ...guest, id: newId(), guestId: newId(), name: 'Rui' };
		expect(await world.services.visitor.addGuest(scope, second)).toMatchObject({ ok: true });
		await forgetGuests(world.deps);
		const { waterAt } = await import('../../src/lib/server/repository/water.ts');
		expect((await waterAt(world.deps.db, scope, guestId, world.now))?.name).toBe('A bottle');
		// One that was made a water stays.
		const kept = { id: newId(), waterId: water.id, guestId: second.guestId };
		expect(await world.services.visitor.keepGuest(scope, kept)).toMatchObject({ ok: true });
		expect((await world.services.water.readWaters(scope)).map((w) => w.name)).toContain('Rui');
		expect(await world.services.visitor.keepGuest(scope, { ...kept, id: newId() })).toMatchObject({
			ok: false
		});
		world.now = NOON;
	});
});

describe('purified water', () => {
	it('is of the site, whatever water one looks from, and of no other', async () => {
		const { scope, water } = await world.site('pure');
		const other = await world.site('tap');
		const facts = [
			{ kind: 'reading' as const, stage: 'after-resin' as const, value: 1, unit: 'ppm' as const }
		];
		const note = { id: newId(), waterId: water.id, happenedAt: world.now, facts, note: '' };
		expect(await world.services.purified.notePurified(scope, note)).toMatchObject({ ok: true });
		expect((await world.services.purified.readPurified(scope)).state).toMatchObject({ isPure: false });
		expect((await world.services.purified.readPurified(other.scope)).entries).toEqual([]);
		const later = { ...note, id: newId(), happenedAt: addDays(world.now, 2) };
		expect(await world.services.purified.notePurified(scope, later)).toMatchObject({
			fault: { code: 'in-the-future' }
		});
	});
});
