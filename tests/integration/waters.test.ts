import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import type { AddWater, ChangeWater } from '../../src/lib/contract/water.ts';
import { ALK_SYRINGE } from '../../src/lib/core/method/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { addPerson } from '../../src/lib/server/repository/founding.ts';
import { waterAt } from '../../src/lib/server/repository/water.ts';
import { adoptShipped } from '../../src/lib/server/service/method/adopt-shipped.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const HABITS: ShelfHabits = { trust: 'standards', unused: 'discard' };

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end()]);
	await database.drop();
});

async function person(displayName: string) {
	const row = { id: world.deps.newId(), displayName, createdAt: world.now };
	await addPerson(world.deps.db, row);
	return { id: row.id, displayName };
}
const told = (change: Partial<AddWater> = {}): AddWater => ({
	id: world.deps.newId(),
	name: 'Kitchen reef',
	kind: 'tank',
	profile: 'mixed-reef',
	volume: { litres: 251, uL: 17.7 },
	lights: null,
	hasAnimals: true,
	startedAt: addDays(world.now, -730),
	...change
});
/** Somebody with a water of their own. */
async function begun(name: string, change: Partial<AddWater> = {}) {
	const who = await person(name);
	const command = told(change);
	const made = await world.services.water.beginSite(who, 'Europe/Lisbon', command);
	if (!made.ok) throw new Error(made.fault.code);
	world.knows(who, command.id);
	const { scope, water } = await world.open(command.id);
	return { who, scope, water, waterId: command.id };
}
const change = (waterId: string, what: ChangeWater['change'], fromAt = world.now): ChangeWater => ({
	id: world.deps.newId(),
	waterId,
	fromAt,
	change: what
});

describe('the first water', () => {
	it('stands with its bands, its volume and how well that is known', async () => {
		const { scope, waterId, water } = await begun('Ana');
		expect(water).toMatchObject({ netVolumeL: 251, volumeUL: 17.7, profile: 'mixed-reef' });
		const bands = await world.services.water.targetsOf(scope, waterId);
		expect(bands.find((b) => b.parameter === 'alkalinity')).toMatchObject({ low: 7.5, high: 9 });
		const day = await world.ask('day', waterId);
		// Nobody told of it before: that is no neglect, however old the tank.
		expect(day.today.stage).toBe('settled');
	});

	it('may be told of by its name alone, and every page of it answers', async () => {
		const nothing = { profile: null, volume: null, startedAt: null };
		const { waterId, water } = await begun('Bo', nothing);
		expect(water).toMatchObject({ netVolumeL: null, profile: null });
		for (const asked of ['day', 'findings'] as const) {
			await expect(world.services.ask(asked as 'day', await world.open(waterId))).resolves.toBeTruthy();
		}
	});

	it('says nothing of what it does not know what is wanted of', async () => {
		const { scope, waterId } = await begun('Oda', { profile: null });
		await world.services.water.chooseKits(scope, { id: world.deps.newId(), codes: ['alk-syringe'] });
		await world.services.reading.saveTestRun(scope, testRun(world, waterId));
		expect(await world.ask('adjust', waterId)).toMatchObject({ judged: 0, repairs: [] });
		await world.services.judgement.takeProfile(scope, {
			id: world.deps.newId(),
			waterId,
			profile: { kind: 'shipped', id: 'mixed-reef' },
			fromAt: addDays(world.now, -730)
		});
		expect(await world.ask('adjust', waterId)).toMatchObject({ judged: 1 });
	});

	it('is begun once, though two pages send it at the same moment', async () => {
		const who = await person('Cleo');
		const commands = [told(), told({ name: 'Another' })];
		const both = await Promise.all(commands.map((c) => world.services.water.beginSite(who, 'UTC', c)));
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		expect(both.find((o) => !o.ok)).toMatchObject({ fault: { code: 'begun-already' } });
		const kept = commands[both.findIndex((o) => o.ok)]!;
		// Sent again, it is what it was.
		expect(await world.services.water.beginSite(who, 'UTC', kept)).toEqual({
			ok: true,
			value: { waterId: kept.id }
		});
	});

	it('cannot have begun tomorrow', async () => {
		const who = await person('Dag');
		const refused = await world.services.water.beginSite(
			who,
			'UTC',
			told({ startedAt: addDays(world.now, 2) })
		);
		expect(refused).toMatchObject({ ok: false, fault: { code: 'in-the-future', field: 'startedAt' } });
	});
});

describe('what is tested with', () => {
	it('is what was ticked, and nothing else', async () => {
		const { scope, waterId } = await begun('Edda');
		const offered = async () => (await world.bench(waterId, HABITS)).offers.map((o) => o.method.code);
		expect(await offered()).toEqual([]);
		const choose = (...codes: string[]) =>
			world.services.water.chooseKits(scope, { id: world.deps.newId(), codes });
		expect(await choose('alk-syringe', 'no3-card')).toMatchObject({ ok: true, value: { kits: 2 } });
		expect(await offered()).toEqual(['alk-syringe', 'no3-card']);
		const { offers } = await world.bench(waterId, HABITS);
		expect(offers[0]).toMatchObject({ common: true, own: false });
		await choose('no3-card');
		expect(await offered()).toEqual(['no3-card']);
		await choose('alk-syringe', 'no3-card');
		expect(await offered()).toEqual(['alk-syringe', 'no3-card']);
		expect(await choose('no-such-kit')).toMatchObject({ ok: false, fault: { code: 'unknown-item' } });
		expect(await choose('stated-calcium')).toMatchObject({ ok: false, fault: { code: 'unknown-item' } });
		expect(await offered()).toEqual(['alk-syringe', 'no3-card']);
		// An update brings nothing in that nobody ticked.
		await adoptShipped(world.deps);
		expect(await offered()).toEqual(['alk-syringe', 'no3-card']);
	});

	it('keeps what was read by a kit that is no longer ticked', async () => {
		const { scope, waterId } = await begun('Fin');
		const choose = (...codes: string[]) =>
			world.services.water.chooseKits(scope, { id: world.deps.newId(), codes });
		await choose('alk-syringe');
		expect(await world.services.reading.saveTestRun(scope, testRun(world, waterId))).toMatchObject({
			ok: true
		});
		await choose();
		const [row] = (await world.ask('day', waterId)).today.rows;
		expect(row?.parameter).toBe('alkalinity');
	});

	it('is the kit in the box once its leaflet was entered', async () => {
		const { scope, waterId } = await begun('Gil');
		await world.services.water.chooseKits(scope, {
			id: world.deps.newId(),
			codes: ['alk-syringe', 'alk-drops']
		});
		const method = { ...ALK_SYRINGE, name: 'The blue box' };
		const command = { id: world.deps.newId(), waterId, method, revises: null };
		const saved = await world.services.method.saveMethod(scope, command);
		const { offers } = await world.bench(waterId, HABITS);
		expect(offers.map((o) => [o.method.code, o.common])).toEqual([
			['alk-drops', true],
			[saved.ok && saved.value.code, false]
		]);
	});

	it('is everything at a site that always had everything', async () => {
		const { scope } = await world.site('all kits');
		expect(await world.services.water.readKits(scope)).toBeNull();
		const refused = await world.services.water.chooseKits(scope, { id: world.deps.newId(), codes: [] });
		expect(refused).toMatchObject({ ok: false, fault: { code: 'method-shipped' } });
	});
});

describe('a water that changes', () => {
	it('keeps its past: volume and light are those of their time', async () => {
		const { scope, waterId } = await begun('Hal', { lights: { onMinute: 600, offMinute: 1200 } });
		const monthAgo = addDays(world.now, -30);
		const changes: ChangeWater['change'][] = [
			{ kind: 'volume', volume: { litres: 300, uL: 12 } },
			{ kind: 'lights', lights: { onMinute: 480, offMinute: 1080 } },
			{ kind: 'name', name: 'The big one' }
		];
		for (const what of changes) {
			expect(await world.services.water.changeWater(scope, change(waterId, what, monthAgo))).toMatchObject({
				ok: true
			});
		}
		const now = await waterAt(world.deps.db, scope, waterId, world.now);
		expect(now).toMatchObject({ name: 'The big one', netVolumeL: 300, volumeUL: 12 });
		expect(now!.lights.map((l) => l.onMinute)).toEqual([600, 480]);
		expect(await waterAt(world.deps.db, scope, waterId, addDays(world.now, -60))).toMatchObject({
			netVolumeL: 251
		});
	});

	it('that was taken down is read, and nothing is asked of it', async () => {
		const { scope, waterId } = await begun('Ida');
		await world.services.water.chooseKits(scope, { id: world.deps.newId(), codes: ['alk-syringe'] });
		await world.services.reading.saveTestRun(
			scope,
			testRun(world, waterId, { finishedAt: addDays(world.now, -20) })
		);
		expect((await world.ask('day', waterId)).today.due).not.toEqual([]);
		await world.services.water.changeWater(scope, change(waterId, { kind: 'ended' }));
		const day = await world.ask('day', waterId);
		expect(day.today).toMatchObject({ due: [], shown: [], folded: [], stage: null });
		expect(day.dangers).toEqual([]);
		expect(day.today.rows).toHaveLength(1);
		expect(await world.services.judgement.readBoard(await world.open(waterId))).toEqual([]);
		await world.services.water.changeWater(scope, change(waterId, { kind: 'runs-again' }));
		expect((await world.ask('day', waterId)).today.due).not.toEqual([]);
	});

	it('cannot change tomorrow, nor before it was there', async () => {
		const { scope, waterId } = await begun('Jon');
		const ended = { kind: 'ended' } as const;
		expect(
			await world.services.water.changeWater(scope, change(waterId, ended, addDays(world.now, 2)))
		).toMatchObject({
			fault: { code: 'in-the-future' }
		});
		expect(
			await world.services.water.changeWater(scope, change(waterId, ended, addDays(world.now, -900)))
		).toMatchObject({
			fault: { code: 'ends-before-begin' }
		});
		expect(await world.services.water.changeWater(scope, change(world.deps.newId(), ended))).toMatchObject({
			fault: { code: 'unknown-item' }
		});
	});

	it('stands in a zone that can be changed, and in none that is not there', async () => {
		const { scope, waterId } = await begun('Nia');
		const zone = (timeZone: string) =>
			world.services.water.changeZone(scope, { id: world.deps.newId(), timeZone });
		expect(await zone('Europe/Berlin')).toMatchObject({ ok: true });
		expect((await world.open(waterId)).scope.timeZone).toBe('Europe/Berlin');
		expect(await zone('Moon/Tranquility')).toMatchObject({ ok: false, fault: { field: 'timeZone' } });
		expect((await world.open(waterId)).scope.timeZone).toBe('Europe/Berlin');
	});

	it('is one of several, in an order of their own', async () => {
		const { scope, waterId } = await begun('Kim');
		const barrel = told({ name: 'Barrel', kind: 'new-mix', profile: null });
		const tap = told({ name: 'Tap', kind: 'source', profile: null, volume: null });
		for (const one of [barrel, tap])
			expect(await world.services.water.addWater(scope, one)).toMatchObject({ ok: true });
		const names = async () => (await world.services.water.readWaters(scope)).map((w) => w.name);
		expect(await names()).toEqual(['Kitchen reef', 'Barrel', 'Tap']);
		const order = { id: world.deps.newId(), waterIds: [tap.id, waterId] };
		expect(await world.services.water.orderWaters(scope, order)).toMatchObject({ ok: true });
		expect(await names()).toEqual(['Tap', 'Kitchen reef', 'Barrel']);
		const other = await begun('Lea');
		const foreign = { id: world.deps.newId(), waterIds: [other.waterId] };
		expect(await world.services.water.orderWaters(scope, foreign)).toMatchObject({
			fault: { code: 'unknown-item' }
		});
	});
});

describe('the made-up world', () => {
	it('is looked at beside one’s own, and goes again', async () => {
		const { who, waterId } = await begun('Mia');
		const demo = await world.site('made up');
		expect(await world.services.water.lookAtMadeUp(who)).toBe(false);
		await raw.query('update site set made_up = 1 where id = ?', [demo.siteId]);
		expect(await world.services.water.lookAtMadeUp(who)).toBe(true);
		expect(await world.services.water.madeUpWater(who)).toBe(demo.waterId);
		// One's own comes first, wherever one starts.
		expect(await world.services.water.firstWater(who)).toBe(waterId);
		expect(await world.services.water.ownWater(who)).toBe(waterId);
		await world.services.water.leaveMadeUp(who);
		expect(await world.services.water.madeUpWater(who)).toBeNull();
		expect(await world.services.water.lookAtMadeUp(who)).toBe(true);
		await world.services.water.leaveMadeUp(who);
		await raw.query('update site set made_up = 0 where id = ?', [demo.siteId]);
	});
});
