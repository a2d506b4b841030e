import { reckonChange } from '../../src/lib/core/correction/index.ts';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { KeptSupplement, NoteStep, PlanRequest, SetLimit } from '../../src/lib/contract/adjust.ts';
import type { RecordEvent } from '../../src/lib/contract/event.ts';
import { PROFILES } from '../../src/lib/core/judgement/index.ts';
import type { SeenPlan } from '../../src/lib/core/judgement/plan/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import { addDays, type Instant } from '../../src/lib/core/time/index.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
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
type Site = Awaited<ReturnType<World['site']>>;

/** A reading of alkalinity: 5 meq/L to the millilitre that was used. */
async function read(site: Site, at: Instant, dkh: number): Promise<void> {
	const run = testRun(world, site.waterId, { finishedAt: at });
	const left = Number((1 - dkh / 2.80385 / 5).toFixed(2));
	run.reading.fills = [{ startMl: 1, end: { lowerMl: left, upperMl: left } }];
	const before = world.now;
	world.now = at;
	expect(await world.services.reading.saveTestRun(site.scope, run)).toMatchObject({ ok: true });
	world.now = before;
}

async function bands(site: Site): Promise<void> {
	for (const [parameter, band] of Object.entries(PROFILES['mixed-reef'].bands)) {
		await world.services.water.setTarget(site.scope, {
			id: id(),
			waterId: site.waterId,
			parameter: parameter as ParameterId,
			...band,
			source: 'A convention',
			fromAt: addDays(NOON, -399)
		});
	}
}

/** A tank whose alkalinity has stood too low for some weeks. */
async function lowTank(name: string): Promise<Site> {
	const site = await world.site(name);
	await bands(site);
	for (const [days, dkh] of [
		[-21, 6.8],
		[-14, 6.9],
		[-7, 6.75],
		[-3, 6.85],
		[-0.2, 6.8]
	] as const) {
		await read(site, addDays(NOON, days), dkh);
	}
	return site;
}
const raise = (aim: number, supplementId = 'salt:NaHCO3'): PlanRequest => ({
	kind: 'doses',
	goals: [{ parameter: 'alkalinity', aim, supplementId }],
	volumeKnown: true
});
const start = (site: Site, request: PlanRequest) => ({
	id: id(),
	waterId: site.waterId,
	request,
	startsAt: world.now,
	offsetMinutes: 0
});
const told = (planId: string, stepId: string, over: Partial<NoteStep> = {}): NoteStep => ({
	id: id(),
	planId,
	stepId,
	outcome: 'done',
	amount: null,
	happenedAt: world.now,
	offsetMinutes: 0,
	note: '',
	...over
});
async function begun(site: Site, request: PlanRequest): Promise<{ planId: string; seen: SeenPlan }> {
	const outcome = await world.services.correction.startPlan(site.scope, start(site, request));
	if (!outcome.ok) throw new Error(JSON.stringify(outcome.fault));
	const { planId } = outcome.value;
	return { planId, seen: (await world.ask('plan', site.water.id, planId))! };
}
const product = (name: string, risePer100L: number) => ({
	id: id(),
	name,
	details: {
		what: {
			kind: 'product',
			unit: 'ml',
			strength: [{ parameter: 'alkalinity', risePer100L }],
			form: 'carbonate',
			from: 'label',
			relativeU: 0.1
		},
		notWith: '',
		inUse: true
	} satisfies KeptSupplement
});

describe('from a finding to a plan', () => {
	it('tells what to put right, in order, and that a plan is under way', async () => {
		const site = await lowTank('repairs');
		const before = await world.ask('adjust', site.water.id);
		expect(before.repairs[0]).toMatchObject({
			repair: { kind: 'raise', parameters: ['alkalinity'] },
			planned: false
		});
		expect(before.plans).toEqual([]);
		await begun(site, raise(8.2));
		const after = await world.ask('adjust', site.water.id);
		expect(after.repairs[0]!.planned).toBe(true);
		expect(after.plans[0]).toMatchObject({ state: 'running', day: 1 });
	});
	it('is reckoned where it is kept: within the limit, with a second reading first and tests between', async () => {
		const site = await lowTank('reckoned');
		const { seen } = await begun(site, raise(8.2));
		const doses = seen.plan.steps.filter((s) => s.what.kind === 'dose');
		expect(doses.length).toBeGreaterThanOrEqual(3);
		for (const { what } of doses) expect(what.kind === 'dose' && what.rise).toBeLessThan(0.5);
		expect(seen.plan.steps[0]!.what).toMatchObject({ kind: 'test', why: 'before' });
		expect(seen.courses[0]!.points.at(-1)!.value).toBeCloseTo(8.2, 1);
		expect(seen.plan.moves!.rows.map((r) => r.what)).toContain('sodium');
		expect(seen.plan.moves!.assumed).toContain('ph');
	});
	it('sent twice begins once', async () => {
		const site = await lowTank('once');
		const command = start(site, raise(8.2));
		const first = await world.services.correction.startPlan(site.scope, command);
		expect(await world.services.correction.startPlan(site.scope, command)).toEqual(first);
		expect((await world.ask('adjust', site.water.id)).plans).toHaveLength(1);
	});
	it('says what it cannot do', async () => {
		const site = await lowTank('cannot');
		const refusal = async (request: PlanRequest) => {
			const outcome = await world.services.correction.startPlan(site.scope, start(site, request));
			return outcome.ok ? null : outcome.fault.code;
		};
		expect(await refusal(raise(6))).toBe('nothing-to-plan');
		expect(await refusal(raise(8, 'salt:KCl'))).toBe('worth-nothing');
		expect(await refusal(raise(8, 'nobody knows'))).toBe('unknown-item');
		expect(await refusal({ kind: 'salinity', aim: 35, volumeKnown: true })).toBe('never-read');
		const calcium = { parameter: 'calcium' as const, aim: 430, supplementId: 'salt:CaCl2' };
		expect(await refusal({ kind: 'doses', goals: [calcium], volumeKnown: true })).toBe('never-read');
		const change = { kind: 'changes', count: 1, everyDays: 7, batch: '' } as const;
		expect(await refusal({ ...change, litres: 5000 })).toBe('too-large');
		const later = { ...start(site, raise(8.2)), startsAt: addDays(NOON, 60) };
		expect(await world.services.correction.startPlan(site.scope, later)).toMatchObject({ ok: false });
	});
	it('is of one site alone', async () => {
		const site = await lowTank('mine');
		const other = await world.site('theirs');
		const { planId } = await begun(site, raise(8.2));
		expect(await world.ask('plan', other.water.id, planId)).toBeNull();
		expect(
			await world.services.correction.noteStep(other.scope, told(planId, '0-dose-alkalinity'))
		).toMatchObject({
			ok: false,
			fault: { code: 'unknown-item' }
		});
		expect(
			await world.services.correction.changePlan(other.scope, { id: id(), planId, what: 'stopped', note: '' })
		).toMatchObject({ ok: false, fault: { code: 'unknown-item' } });
	});
	it('cannot be changed in the database by the application', async () => {
		for (const table of ['supplement', 'daily_limit', 'correction_plan', 'plan_note']) {
			await expect(asApplication.query(`delete from ${table}`)).rejects.toThrow(/denied/);
			await expect(asApplication.query(`update ${table} set site_id = site_id`)).rejects.toThrow(/denied/);
		}
	});
});

describe('a plan under way', () => {
	it('keeps what was done as events that the estimate takes in', async () => {
		const site = await lowTank('done');
		const { planId, seen } = await begun(site, raise(8.2));
		const step = seen.steps.find((s) => s.id === '0-dose-alkalinity')!;
		const command = told(planId, step.id);
		const first = await world.services.correction.noteStep(site.scope, command);
		expect(first).toMatchObject({ ok: true, value: { eventId: expect.any(String) as string } });
		// Pressed twice it is given once.
		expect(await world.services.correction.noteStep(site.scope, command)).toEqual(first);
		expect(await world.services.correction.noteStep(site.scope, told(planId, step.id))).toMatchObject({
			ok: false,
			fault: { code: 'already-finished' }
		});
		const events = await world.services.log.readRecentEvents(site.scope, site.waterId, 5);
		expect(events).toHaveLength(1);
		expect(events[0]).toMatchObject({
			kind: 'dose',
			details: { supplement: 'Sodium bicarbonate', unit: 'g' }
		});
		const { amountMl, strength } = events[0]!.details as {
			amountMl: number;
			strength: { parameter: string; risePerMlIn100L: number }[];
		};
		const rise = (strength[0]!.risePerMlIn100L * amountMl * 100) / 540;
		expect(step.what.kind === 'dose' && step.what.rise).toBeCloseTo(rise, 2);
	});
	it('counts a changed amount, and what was left out is not an event', async () => {
		const site = await lowTank('changed');
		const { planId } = await begun(site, raise(8.2));
		await world.services.correction.noteStep(site.scope, told(planId, '0-dose-alkalinity', { amount: 20 }));
		world.now = addDays(NOON, 1);
		await world.services.correction.noteStep(
			site.scope,
			told(planId, '1-dose-alkalinity', { outcome: 'skipped' })
		);
		const seen = (await world.ask('plan', site.water.id, planId))!;
		const of = (stepId: string) => seen.steps.find((s) => s.id === stepId);
		expect(of('0-dose-alkalinity')).toMatchObject({ state: 'done', given: 20 });
		expect(of('1-dose-alkalinity')!.state).toBe('skipped');
		expect(await world.services.log.readRecentEvents(site.scope, site.waterId, 5)).toHaveLength(1);
		world.now = NOON;
	});
	it('never catches a missed dose up, and says that it was missed', async () => {
		const site = await lowTank('missed');
		const { planId, seen: first } = await begun(site, raise(8.2));
		world.now = addDays(NOON, 2);
		const seen = (await world.ask('plan', site.water.id, planId))!;
		expect(seen.steps.find((s) => s.id === '0-dose-alkalinity')!.state).toBe('missed');
		const changed = await world.services.correction.changePlan(site.scope, {
			id: id(),
			planId,
			what: 'plan-rest',
			note: ''
		});
		expect(changed).toMatchObject({ ok: true });
		const anew = (await world.ask('plan', site.water.id, planId))!;
		expect(anew.adapted).toBe(1);
		const open = anew.steps.filter((s) => s.state === 'open' && s.what.kind === 'dose');
		expect(open[0]!.day).toBe(2);
		const most = Math.max(...first.steps.flatMap((s) => (s.what.kind === 'dose' ? [s.what.rise] : [])));
		for (const { what } of open) expect(what.kind === 'dose' && what.rise).toBeLessThanOrEqual(1.2 * most);
		world.now = NOON;
	});
	it('notices a product that is weaker than its label, and plans the rest by what the water answered', async () => {
		const site = await lowTank('weak');
		const drops = { ...product('Weak carbonate', 0.14), waterId: site.waterId };
		expect(await world.services.correction.saveSupplement(site.scope, drops)).toMatchObject({ ok: true });
		const { planId, seen } = await begun(site, raise(8.4, drops.id));
		const doses = seen.steps.filter((s) => s.what.kind === 'dose');
		let level = 6.8;
		for (const dose of doses) {
			world.now = addDays(NOON, dose.day);
			await world.services.correction.noteStep(site.scope, told(planId, dose.id));
			level += dose.what.kind === 'dose' ? 0.3 * dose.what.rise : 0;
			await read(site, addDays(world.now, 0.6), level);
		}
		world.now = addDays(NOON, doses.length - 0.2);
		const late = (await world.ask('plan', site.water.id, planId))!;
		expect(late.goals[0]!.followed!.course).toBe('weaker');
		expect(late.reason).toMatchObject({ kind: 'either' });
		const lines = (await world.ask('adjust', site.water.id)).plans;
		expect(lines[0]!.offCourse?.parameter).toBe('alkalinity');
		const before = doses[0]!.what.kind === 'dose' ? doses[0]!.what : null;
		await world.services.correction.changePlan(site.scope, { id: id(), planId, what: 'plan-rest', note: '' });
		const anew = (await world.ask('plan', site.water.id, planId))!;
		const next = anew.steps.find((s) => s.state === 'open' && s.what.kind === 'dose')!.what;
		// More millilitres for the same rise.
		expect(next.kind === 'dose' && next.amount / next.rise).toBeGreaterThan(
			1.3 * (before!.amount / before!.rise)
		);
		world.now = NOON;
	});
	it('takes a fall out of the daily dose that runs, and leaves its strength as it is', async () => {
		const site = await world.site('retuned');
		await bands(site);
		const strength = [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.14 }];
		await world.services.log.recordEvent(site.scope, {
			id: id(),
			waterId: site.waterId,
			kind: 'recurring-dose',
			happenedAt: addDays(NOON, -60),
			offsetMinutes: 0,
			details: { supplement: 'Part one', amountMlPerDay: 20, strength },
			note: ''
		});
		for (let day = -30; day < 0; day += 3) await read(site, addDays(NOON, day), 6.6 - 0.15 * day);
		await read(site, addDays(NOON, -0.1), 6.6);
		const { planId, seen } = await begun(site, raise(8.2));
		const step = seen.steps.find((s) => s.what.kind === 'daily-dose')!;
		expect(step.what).toMatchObject({ name: 'Part one', fromPerDay: 20, strength });
		const toPerDay = step.what.kind === 'daily-dose' ? step.what.toPerDay : 0;
		// 0.15 dKH a day in 540 L.
		expect(toPerDay).toBeGreaterThan(23.5);
		expect(toPerDay).toBeLessThan(28);
		await world.services.correction.noteStep(site.scope, told(planId, step.id));
		const [event] = await world.services.log.readRecentEvents(site.scope, site.waterId, 1);
		expect(event).toMatchObject({
			kind: 'recurring-dose',
			details: { supplement: 'Part one', amountMlPerDay: toPerDay, strength }
		});
	});
	it('ends when its keeper says so, and takes nothing more', async () => {
		const site = await lowTank('ended');
		const { planId } = await begun(site, raise(8.2));
		const end = { id: id(), planId, what: 'reached', note: 'It is there.' } as const;
		expect(await world.services.correction.changePlan(site.scope, end)).toMatchObject({ ok: true });
		expect((await world.ask('plan', site.water.id, planId))!.state).toBe('reached');
		// What is read weeks later tells nothing of it.
		for (const day of [20, 22, 24]) await read(site, addDays(NOON, day), 5);
		world.now = addDays(NOON, 25);
		const later = (await world.ask('plan', site.water.id, planId))!;
		expect(later.goals[0]!.followed!.course).toBe('too-early');
		expect(later.goals[0]!.estimate.at(-1)!.at).toBeLessThan(addDays(NOON, 1));
		world.now = NOON;
		expect(
			await world.services.correction.noteStep(site.scope, told(planId, '0-dose-alkalinity'))
		).toMatchObject({
			ok: false,
			fault: { code: 'plan-ended' }
		});
	});
	it('stands on Today and in the calendar', async () => {
		const site = await lowTank('today');
		await begun(site, raise(8.2));
		const today = (await world.ask('day', site.water.id)).today;
		expect(today.plans[0]!.today.map((s) => s.what.kind)).toEqual(expect.arrayContaining(['test', 'dose']));
		const calendar = (await world.services.calendar.siteCalendar(await world.open(site.water.id))).replaceAll(
			/\r\n[ \t]/g,
			''
		);
		expect(calendar).toMatch(/SUMMARY:today tank: (Test|Add)/);
		expect(calendar).toMatch(/of Sodium bicarbonate/);
	});
	it('of husbandry asks for remedies and regular tests', async () => {
		const site = await lowTank('husbandry');
		const { planId, seen } = await begun(site, { kind: 'husbandry', id: 'nitrate-high' });
		expect(seen.steps.some((s) => s.what.kind === 'remedy')).toBe(true);
		expect(seen.steps.filter((s) => s.what.kind === 'test')).toHaveLength(4);
		expect(
			await world.services.correction.noteStep(site.scope, told(planId, '0-remedy-feed-less'))
		).toMatchObject({
			ok: true,
			value: { eventId: null }
		});
	});
});

describe('limits', () => {
	const limit = (site: Site, perDay: number, reason = ''): SetLimit => ({
		id: id(),
		waterId: site.waterId,
		parameter: 'alkalinity',
		direction: 'up',
		perDay,
		reason
	});
	it('go down at once and make a plan longer, up only with a reason, never above the most', async () => {
		const site = await lowTank('limits');
		const days = async () => {
			const preview = await world.ask('preview', site.water.id, raise(8.2));
			return preview.ok ? preview.value.plan.days : 0;
		};
		const usual = await days();
		expect(await world.services.correction.setLimit(site.scope, limit(site, 0.2))).toMatchObject({
			ok: true
		});
		expect(await days()).toBeGreaterThan(usual);
		expect(await world.services.correction.setLimit(site.scope, limit(site, 0.8))).toMatchObject({
			ok: false,
			fault: { code: 'limit-needs-reason' }
		});
		expect(
			await world.services.correction.setLimit(site.scope, limit(site, 5, 'I am in a hurry.'))
		).toMatchObject({
			ok: false,
			fault: { code: 'limit-above-most' }
		});
		world.now = addDays(NOON, 0.01);
		expect(
			await world.services.correction.setLimit(site.scope, limit(site, 0.8, 'Only soft corals here.'))
		).toMatchObject({
			ok: true
		});
		const seen = await world.services.correction.readLimits(site.scope, site.water);
		expect(seen.find((l) => l.parameter === 'alkalinity' && l.direction === 'up')).toMatchObject({
			perDay: 0.8,
			reason: 'Only soft corals here.'
		});
		world.now = NOON;
	});
});

describe('supplements', () => {
	it('are common salts and the site’s own, the newest of a name', async () => {
		const site = await world.site('supplements');
		const common = await world.services.correction.readSupplements(site.scope);
		expect(common.map((s) => s.id)).toEqual(
			expect.arrayContaining(['salt:NaHCO3', 'sea-magnesium', 'limewater'])
		);
		const one = { ...product('My drops', 0.1), waterId: site.waterId };
		await world.services.correction.saveSupplement(site.scope, one);
		world.now = addDays(NOON, 0.01);
		await world.services.correction.saveSupplement(site.scope, {
			...product('My drops', 0.2),
			waterId: site.waterId
		});
		const own = (await world.services.correction.readSupplements(site.scope)).filter((s) => s.own);
		expect(own).toHaveLength(1);
		expect(own[0]!.what).toMatchObject({ strength: [{ risePer100L: 0.2 }] });
		world.now = addDays(NOON, 0.02);
		const retired = { ...product('My drops', 0.2), waterId: site.waterId };
		await world.services.correction.saveSupplement(site.scope, {
			...retired,
			details: { ...retired.details, inUse: false }
		});
		expect((await world.services.correction.readSupplements(site.scope)).filter((s) => s.own)).toEqual([]);
		world.now = NOON;
	});
	it('refuse a solution that would not dissolve or would fall out', async () => {
		const site = await world.site('bottles');
		const bottle = (parts: readonly (readonly ['CaCl2.2H2O' | 'NaHCO3', number])[]) =>
			world.services.correction.saveSupplement(site.scope, {
				id: id(),
				waterId: site.waterId,
				name: 'A bottle',
				details: {
					what: {
						kind: 'solution',
						parts: parts.map(([compound, gramsPerL]) => ({ compound, gramsPerL, purity: 0.98 }))
					},
					notWith: '',
					inUse: true
				}
			});
		expect(await bottle([['NaHCO3', 200]])).toMatchObject({ ok: false, fault: { code: 'too-strong' } });
		expect(
			await bottle([
				['CaCl2.2H2O', 50],
				['NaHCO3', 20]
			])
		).toMatchObject({ ok: false, fault: { code: 'falls-out' } });
		expect(await bottle([['NaHCO3', 60]])).toMatchObject({ ok: true });
	});
});

describe('the daily dose and water changes', () => {
	it('know what runs and what is used', async () => {
		const site = await lowTank('daily');
		const event: RecordEvent = {
			id: id(),
			waterId: site.waterId,
			kind: 'recurring-dose',
			happenedAt: addDays(NOON, -20),
			offsetMinutes: 0,
			details: {
				supplement: 'Part one',
				amountMlPerDay: 10,
				strength: [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }]
			},
			note: ''
		};
		await world.services.log.recordEvent(site.scope, event);
		const daily = await world.ask('daily', site.water.id);
		expect(daily.running[0]).toMatchObject({ name: 'Part one', perDay: 10 });
		expect(daily.running[0]!.brings[0]!.perDay).toBeCloseTo(0.259, 3);
		// One reading says nothing of what is used.
		expect(daily.given).toBeNull();
		expect(daily.isVolumeKnown).toBe(true);
	});
	it('say what a change would move only where the new water was tested', async () => {
		const site = await lowTank('change');
		const answer = await world.ask('change', site.water.id);
		const wish = { litres: 54, count: 2, everyDays: 7, batch: '', target: null };
		const reckoned = reckonChange(answer.given!, wish);
		expect(reckoned.moves).toEqual([]);
		expect(reckoned.series).toHaveLength(2);
		expect(answer.batches).toEqual([]);
		const { planId, seen } = await begun(site, {
			kind: 'changes',
			litres: 54,
			count: 2,
			everyDays: 7,
			batch: ''
		});
		expect(seen.steps.filter((s) => s.what.kind === 'change').map((s) => s.day)).toEqual([0, 7]);
		await world.services.correction.noteStep(site.scope, told(planId, '0-change', { amount: 50 }));
		const [event] = await world.services.log.readRecentEvents(site.scope, site.waterId, 1);
		expect(event).toMatchObject({ kind: 'water-change', details: { volumeL: 50 } });
	});
});
