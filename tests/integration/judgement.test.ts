import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { USUAL_SETTINGS, type SaveSettings } from '../../src/lib/contract/judgement.ts';
import type { RecordEvent } from '../../src/lib/contract/event.ts';
import { pointOf } from '../../src/lib/core/reading/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { ownDatabase } from './database.ts';

let database: OwnDatabase;
let world: World;
let asApplication: mysql.Connection;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	asApplication = await mysql.createConnection(database.url);
});
afterAll(async () => {
	await Promise.all([world.close(), asApplication.end()]);
	await database.drop();
});
const id = () => world.deps.newId();

/** Weekly readings of alkalinity, by how much was left in the syringe, the newest today. */
async function readWeekly(site: Awaited<ReturnType<World['site']>>, left: readonly number[]): Promise<void> {
	for (const [i, ml] of left.entries()) {
		const finishedAt = addDays(NOON, -7 * (left.length - 1 - i));
		const run = testRun(world, site.waterId, { finishedAt });
		run.reading.fills = [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }];
		expect(await world.services.reading.saveTestRun(site.scope, run)).toMatchObject({ ok: true });
	}
}
const happened = (waterId: string, kind: 'death' | 'algae'): RecordEvent => ({
	id: id(),
	waterId,
	kind,
	happenedAt: world.now,
	offsetMinutes: 0,
	details: {},
	note: ''
});

describe('how a water is judged', () => {
	it('is as its keeper set it last, each setting kept', async () => {
		const { scope, waterId } = await world.site('settings');
		expect(await world.services.judgement.settingsOf(scope, waterId)).toEqual(USUAL_SETTINGS);
		const command = (settings: SaveSettings['settings']): SaveSettings => ({ id: id(), waterId, settings });
		const weekly = { ...USUAL_SETTINGS, testing: { kind: 'fixed', everyDays: 7 } } as const;
		const first = command(weekly);
		expect(await world.services.judgement.saveSettings(scope, first)).toMatchObject({ ok: true });
		expect(await world.services.judgement.saveSettings(scope, first)).toMatchObject({ ok: true });
		world.now = addDays(NOON, 0.01);
		const off = { ...weekly, rulesOff: ['ph-by-day-only' as const] };
		await world.services.judgement.saveSettings(scope, command(off));
		world.now = NOON;
		expect(await world.services.judgement.settingsOf(scope, waterId)).toEqual(off);
		const other = await world.site('settings-other');
		expect(
			await world.services.judgement.saveSettings(other.scope, { ...command(weekly), waterId })
		).toMatchObject({
			ok: false,
			fault: { code: 'unknown-item' }
		});
	});
	it('cannot be changed in the database by the application', async () => {
		for (const table of ['judgement_setting', 'own_profile', 'laboratory_sample', 'laboratory_answer']) {
			await expect(asApplication.query(`delete from ${table}`)).rejects.toThrow(/denied/);
			await expect(asApplication.query(`update ${table} set site_id = site_id`)).rejects.toThrow(/denied/);
		}
	});
});

describe('Today', () => {
	it('asks for what an event asks for until it is tested, the danger first', async () => {
		const site = await world.site('events');
		await readWeekly(site, [0.41, 0.42, 0.4, 0.41]);
		world.now = addDays(NOON, 0.01);
		await world.services.log.recordEvent(site.scope, happened(site.waterId, 'algae'));
		await world.services.log.recordEvent(site.scope, happened(site.waterId, 'death'));
		const today = (await world.ask('day', site.water.id)).today;
		const panel = today.shown[0]!;
		expect(panel).toMatchObject({ kind: 'panel', danger: true, panel: { happening: 'death' } });
		// Ammonia, nitrate and the like were never read here and have no band: alkalinity is what can be tested.
		expect(panel.kind === 'panel' && panel.panel.missing).toEqual(['alkalinity']);
		world.now = addDays(NOON, 0.02);
		await world.services.reading.saveTestRun(site.scope, testRun(world, site.waterId));
		const after = (await world.ask('day', site.water.id)).today;
		world.now = NOON;
		expect(after.shown.concat(after.folded).some((m) => m.kind === 'panel')).toBe(false);
	});
	it('is one line for each water of every site that a person belongs to, and no other', async () => {
		const site = await world.site('lines');
		const lines = await world.services.judgement.readLines(await world.open(site.waterId));
		expect(lines.map((l) => l.id)).toEqual([site.waterId]);
		expect(lines[0]).toMatchObject({ site: 'lines', worst: null });
	});
	it('follows the schedule that was set', async () => {
		const site = await world.site('schedule');
		await readWeekly(site, [0.41, 0.42, 0.4, 0.41, 0.42]);
		const testing = { kind: 'fixed', everyDays: 14 } as const;
		await world.services.judgement.saveSettings(site.scope, {
			id: id(),
			waterId: site.waterId,
			settings: { ...USUAL_SETTINGS, testing }
		});
		const { due } = (await world.ask('day', site.water.id)).today;
		const alkalinity = due.find((d) => d.parameter === 'alkalinity')!;
		expect(alkalinity.why).toMatchObject({ kind: 'habit', everyDays: 14 });
		expect(alkalinity.dueAt).toBe(addDays(NOON, 14));
	});
});

describe('a profile', () => {
	it('of one’s own keeps its name and source, and sets a water’s bands at once', async () => {
		const { scope, waterId } = await world.site('profiles');
		const bands = [{ parameter: 'alkalinity' as const, low: 7, high: 8, aim: 7.5 }];
		const saved = { id: id(), waterId, name: 'Shrimps', source: 'the club’s sheet', bands };
		expect(await world.services.judgement.saveProfile(scope, saved)).toMatchObject({ ok: true });
		expect(
			await world.services.judgement.saveProfile(scope, {
				...saved,
				id: id(),
				bands: [{ ...bands[0]!, low: 9 }]
			})
		).toMatchObject({ ok: false, fault: { code: 'target-reversed', field: 'alkalinity.high' } });
		const [profile] = await world.services.judgement.readProfiles(scope);
		const taken = await world.services.judgement.takeProfile(scope, {
			id: id(),
			waterId,
			profile: { kind: 'own', id: profile!.id },
			fromAt: NOON
		});
		expect(taken).toMatchObject({ ok: true, value: { parameters: 1 } });
		const [target] = await world.services.water.targetsOf(scope, waterId);
		expect(target).toMatchObject({ parameter: 'alkalinity', low: 7, source: 'Shrimps: the club’s sheet' });
		// A site cannot take another site's.
		const other = await world.site('profiles-other');
		expect(
			await world.services.judgement.takeProfile(other.scope, {
				id: id(),
				waterId: other.waterId,
				profile: { kind: 'own', id: profile!.id },
				fromAt: NOON
			})
		).toMatchObject({ ok: false });
	});
	it('that ships changes the kind of the water, and takes away bands that it does not have', async () => {
		const { scope, waterId, person } = await world.site('stage');
		const take = (profile: 'mixed-reef' | 'soft-fresh', days: number) =>
			world.services.judgement.takeProfile(scope, {
				id: id(),
				waterId,
				profile: { kind: 'shipped', id: profile },
				fromAt: addDays(NOON, days)
			});
		await take('mixed-reef', -2);
		await take('soft-fresh', -1);
		const open = await world.services.water.openWater(person, waterId);
		expect(open!.water.profile).toBe('soft-fresh');
		const targets = await world.services.water.targetsOf(scope, waterId);
		expect(targets.find((t) => t.parameter === 'calcium')).toMatchObject({ low: null, high: null });
		expect(targets.find((t) => t.parameter === 'alkalinity')).toMatchObject({ low: 1, high: 2 });
	});
});

describe('the laboratory', () => {
	it('answers a bottle once, after its days, as the reference that it is', async () => {
		const site = await world.site('laboratory');
		await readWeekly(site, [0.41, 0.42, 0.4, 0.41]);
		const command = {
			id: id(),
			waterId: site.waterId,
			parameters: ['alkalinity' as const],
			drawnAt: NOON,
			offsetMinutes: 0,
			note: ''
		};
		expect(await world.services.laboratory.sendSample(site.scope, command)).toMatchObject({ ok: true });
		expect(await world.services.laboratory.collectAnswers(site.scope)).toBe(0);
		world.now = addDays(NOON, 6.1);
		// Two who look at once do not take it in twice.
		const [a, b] = await Promise.all([
			world.services.laboratory.collectAnswers(site.scope),
			world.services.laboratory.collectAnswers(site.scope)
		]);
		expect(a + b).toBe(1);
		const [sent] = await world.services.laboratory.readSent(site.scope, site.waterId);
		expect(sent!.answeredAt).toBe(world.now);
		const { entries } = await world.services.log.readLog(site.scope, {
			waterId: site.waterId,
			what: 'alkalinity',
			before: null
		});
		const stated = entries.filter((e) => e.type === 'reading' && e.method.kind === 'stated');
		expect(stated).toHaveLength(1);
		if (stated[0]?.type === 'reading') {
			expect(stated[0].at).toBe(NOON);
			expect(pointOf(stated[0].results[0]!)!.value).toBeCloseTo(8.2, 0);
		}
		world.now = NOON;
	});
	it('’s report is kept whole or not at all', async () => {
		const { scope, waterId } = await world.site('report');
		const row = {
			parameter: 'calcium' as const,
			unit: 'mg-per-l',
			kind: 'value' as const,
			value: 415,
			expandedU: 8,
			drawnAt: NOON,
			offsetMinutes: 0
		};
		const report = (rows: (typeof row)[]) => ({ id: id(), waterId, source: 'harbour laboratory', rows });
		expect(
			await world.services.laboratory.saveReport(scope, report([row, { ...row, unit: 'dkh' }]))
		).toMatchObject({
			ok: false,
			fault: { code: 'unit-unknown', field: 'rows.1.unit' }
		});
		const count = async () =>
			(await world.services.log.readLog(scope, { waterId, what: null, before: null })).entries.length;
		expect(await count()).toBe(0);
		const good = report([row, { ...row, parameter: 'magnesium' as never, value: 1310, expandedU: 24 }]);
		expect(await world.services.laboratory.saveReport(scope, good)).toMatchObject({
			ok: true,
			value: { kept: 2 }
		});
		await world.services.laboratory.saveReport(scope, good);
		expect(await count()).toBe(2);
	});
});

describe('a calendar address', () => {
	it('answers whoever has it until it is revoked, and is kept as a digest only', async () => {
		const { scope, waterId } = await world.site('calendar');
		const opened = await world.services.calendar.changeFeed(scope, { id: id(), waterId, kind: 'open' });
		const token = opened.ok ? opened.value.token! : '';
		expect(await world.services.calendar.feedCalendar(token)).toMatch(/^BEGIN:VCALENDAR/);
		expect(await world.services.calendar.feedCalendar(`${token}x`)).toBeNull();
		const [rows] = await asApplication.query('select * from calendar_feed');
		expect(JSON.stringify(rows)).not.toContain(token);
		const [feed] = await world.services.calendar.readFeeds(scope);
		// Somebody else's cannot be revoked.
		const other = await world.site('calendar-other');
		const revoke = { id: id(), kind: 'revoke' as const, feedId: feed!.id };
		expect(
			await world.services.calendar.changeFeed(other.scope, { ...revoke, waterId: other.waterId })
		).toMatchObject({ ok: false });
		expect(await world.services.calendar.changeFeed(scope, { ...revoke, id: id(), waterId })).toMatchObject({
			ok: true
		});
		expect(await world.services.calendar.feedCalendar(token)).toBeNull();
	});
});

describe('a comparison', () => {
	it('pairs what was read of one water, tells too few, and what to do next', async () => {
		const site = await world.site('compare');
		await readWeekly(site, [0.41, 0.42, 0.4]);
		for (const [i, dkh] of [9.3, 9.2, 9.4].entries()) {
			await world.services.laboratory.saveReport(site.scope, {
				id: id(),
				waterId: site.waterId,
				source: 'harbour laboratory',
				rows: [
					{
						parameter: 'alkalinity',
						unit: 'dkh',
						kind: 'value',
						value: dkh,
						expandedU: 0.1,
						drawnAt: addDays(NOON, -7 * (2 - i)),
						offsetMinutes: 0
					}
				]
			});
		}
		const asked = { parameter: 'alkalinity' as const, by: 'kit' as const, first: null, second: null };
		const found = await world.ask('comparison', site.water.id, asked);
		expect(found.paired!.pairs).toHaveLength(3);
		expect(found.paired!.verdict).toMatchObject({ grade: 'cannot-tell', tooFew: true });
		expect(found.errors!.first.from === 'laboratory' || found.errors!.second.from === 'laboratory').toBe(
			true
		);
		expect(found.next).toBe('more-pairs');
		const nothing = await world.ask('comparison', site.water.id, {
			...asked,
			by: 'reader'
		});
		expect(nothing).toMatchObject({ paired: null, next: null });
	});
});
