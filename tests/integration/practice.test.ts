import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { CLEAR_DAY, type Trial } from '../../src/lib/core/practice/index.ts';
import { USUAL_PRIORS } from '../../src/lib/core/plausibility/index.ts';
import { addDays, addSeconds } from '../../src/lib/core/time/index.ts';
import { addMembership, addPerson } from '../../src/lib/server/repository/founding.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
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
const DROP = 0.015;

/** A vial of alkalinity by syringe, stopped so many drops after the change. */
const vial = (late: number, mode: 'plain' | 'slow' = 'plain'): Trial => ({
	kind: 'end-point',
	methodCode: 'alk-syringe',
	titration: 0,
	mode,
	changeMl: 0.5,
	stoppedMl: 0.5 + (late + 0.5) * DROP,
	lastDropMl: DROP,
	dropMl: DROP,
	around: CLEAR_DAY,
	tookS: 30
});
const END_POINT = { kind: 'end-point', methodCode: 'alk-syringe', titration: 0 } as const;

const practise = (scope: SiteScope, waterId: string, trials: readonly Trial[]) =>
	world.services.practice.savePractice(scope, {
		id: newId(),
		waterId,
		trials: trials.map((trial, i) => ({ answeredAt: addSeconds(world.now, i - trials.length), trial }))
	});
const LATE = [0.6, 1.2, 0.9, 1.4, 0.8, 1.1, 1, 1.3, 0.7, 1, 1.2, 0.9];

async function readAlkalinity(scope: SiteScope, waterId: string, change: object = {}) {
	const run = { ...testRun(world, waterId), ...change };
	const saved = await world.services.reading.saveTestRun(scope, run);
	if (!saved.ok) throw new Error(saved.fault.code);
	const [result] = saved.value.results;
	if (result?.kind !== 'value') throw new Error('no value');
	return { run, value: result.value, u: Math.hypot(result.uRandom, result.uCommon) };
}

describe('a reader who practised', () => {
	it('is told how they read, and nothing moves before they say so', async () => {
		const { scope, water } = await world.site('told');
		expect(
			await practise(
				scope,
				water.id,
				LATE.map((l) => vial(l))
			)
		).toMatchObject({ ok: true });
		const { me } = await world.services.practice.readPractice(scope);
		const [eye] = me.eyes;
		expect(eye!.subject).toEqual(END_POINT);
		expect(eye!.onScreen.bias.best).toBeCloseTo(1, 0);
		expect(eye!.errors).toHaveLength(LATE.length);
		expect(eye!.used).toBeNull();
		const before = await readAlkalinity(scope, water.id);
		const again = await readAlkalinity(scope, water.id);
		expect(again.value).toBe(before.value);
	});
	it('sees each result that would move, uses it from now on, for all, and takes it back: nothing raw changes', async () => {
		const { scope, water } = await world.site('uses');
		await practise(
			scope,
			water.id,
			LATE.map((l) => vial(l))
		);
		const old = await readAlkalinity(scope, water.id);
		world.now = addSeconds(NOON, 600);
		const all = { subject: END_POINT, decision: 'use', span: 'all' } as const;
		const seen = await world.services.practice.previewReader(scope, all);
		expect(seen.ok && seen.value.moves).toHaveLength(1);
		const fromNow = await world.services.practice.previewReader(scope, { ...all, span: 'from-now' });
		expect(fromNow.ok && fromNow.value.moves).toHaveLength(0);

		expect(
			await world.services.practice.decideReader(scope, { id: newId(), ...all, span: 'from-now' })
		).toMatchObject({ ok: true, value: { moved: 0 } });
		world.now = addDays(NOON, 1);
		const fresh = await readAlkalinity(scope, water.id);
		// About a drop of 0.21 dKH later than the change, taken off.
		expect(old.value - fresh.value).toBeGreaterThan(0.1);
		expect(old.value - fresh.value).toBeLessThan(0.3);
		expect(fresh.u).toBeLessThan(old.u);
		const log = async (id: string) => (await world.services.reading.readingById(scope, id))!.results[0]!;
		expect(await log(old.run.readingId)).toMatchObject({ value: old.value });

		expect(await world.services.practice.decideReader(scope, { id: newId(), ...all })).toMatchObject({
			value: { moved: 1 }
		});
		expect(await log(old.run.readingId)).toMatchObject({ value: expect.closeTo(fresh.value, 1) });

		const back = { id: newId(), ...all, decision: 'stop' } as const;
		expect(await world.services.practice.decideReader(scope, back)).toMatchObject({ value: { moved: 2 } });
		expect(await log(old.run.readingId)).toMatchObject({ value: expect.closeTo(old.value, 9) });
		expect((await log(fresh.run.readingId)) as { value: number }).toMatchObject({
			value: expect.closeTo(old.value, 9)
		});
		const stored = await world.services.reading.readingById(scope, old.run.readingId);
		expect(stored!.reading).toMatchObject(old.run.reading);
		world.now = NOON;
	});
	it('with too few answers, or lessons alone, is refused with words', async () => {
		const { scope, water } = await world.site('few');
		const use = { subject: END_POINT, decision: 'use', span: 'all' } as const;
		await practise(
			scope,
			water.id,
			Array.from({ length: 12 }, () => vial(1, 'slow'))
		);
		for (const trials of [[vial(1)], [vial(1)]]) {
			await practise(scope, water.id, trials);
			expect(await world.services.practice.previewReader(scope, use)).toMatchObject({
				fault: { code: 'too-little-practice' }
			});
		}
		const unknown = { ...use, subject: { kind: 'steps', methodCode: 'x' } as const };
		expect(await world.services.practice.previewReader(scope, unknown)).toMatchObject({ ok: false });
	});
	it('answers nothing in the future, and an answer that is sent twice counts once', async () => {
		const { scope, water } = await world.site('twice');
		const command = {
			id: newId(),
			waterId: water.id,
			trials: [{ answeredAt: world.now - 1, trial: vial(1) }]
		};
		await world.services.practice.savePractice(scope, command);
		await world.services.practice.savePractice(scope, command);
		expect((await world.services.practice.readPractice(scope)).me.eyes[0]!.errors).toHaveLength(1);
		const ahead = {
			...command,
			id: newId(),
			trials: [{ answeredAt: world.now + 3_600_000, trial: vial(1) }]
		};
		expect(await world.services.practice.savePractice(scope, ahead)).toMatchObject({
			fault: { code: 'in-the-future', field: 'trials.0.answeredAt' }
		});
	});
	it('who slips on drawn scales is asked about that slip sooner at the bench', async () => {
		const { scope, water, waterId } = await world.site('slips');
		const slip = {
			kind: 'scale',
			scale: 'syringe',
			graduation: 0.01,
			truth: 0.38,
			answer: 0.42,
			slip: 'upside-down'
		} as const;
		const before = (await world.bench(waterId, HABITS)).slipPriors['upside-down'];
		expect(before).toBeCloseTo(USUAL_PRIORS['upside-down'], 6);
		await practise(
			scope,
			water.id,
			Array.from({ length: 10 }, () => slip)
		);
		expect((await world.bench(waterId, HABITS)).slipPriors['upside-down']).toBeGreaterThan(1.5 * before);
	});
});

describe('real vials', () => {
	it('that were read blind weigh in, and those that were not do not', async () => {
		const { scope, water } = await world.site('real');
		await practise(
			scope,
			water.id,
			LATE.map((l) => vial(l))
		);
		const { run } = await readAlkalinity(scope, water.id);
		const open = { ...testRun(world, water.id), sampleId: run.sampleId, drawnAt: run.drawnAt };
		await world.services.reading.saveTestRun(scope, open);
		expect((await world.services.practice.readPractice(scope)).me.eyes[0]!.real).toBe(0);
		const blind = (sampleId: string, more = {}) => {
			const plain = testRun(world, water.id);
			return { ...plain, sampleId, reading: { ...plain.reading, ...more, blind: true } };
		};
		const eye = async () => (await world.services.practice.readPractice(scope)).me.eyes[0]!;
		const sampleId = newId();
		for (let i = 0; i < 3; i++) await world.services.reading.saveTestRun(scope, blind(sampleId));
		const before = await eye();
		expect(before.real).toBe(2);

		// Watched again, three drops more went in: whoever called it so early stops early.
		await world.services.reading.saveTestRun(scope, blind(newId(), { addedAfter: 0.045 }));
		const after = await eye();
		expect(after.real).toBe(3);
		expect(after.atBench.bias.best).toBeLessThan(before.atBench.bias.best);
		expect(after.onScreen).toEqual(before.onScreen);
		// More than the syringe ever held was not added after.
		const impossible = await world.services.reading.saveTestRun(scope, blind(newId(), { addedAfter: 3 }));
		expect(impossible).toMatchObject({ ok: false, fault: { field: expect.stringContaining('addedAfter') } });
	});
	it('what was said before is scored against what was read', async () => {
		const { scope, water } = await world.site('said');
		const said = {
			parameter: 'alkalinity',
			expected: 8,
			give: 0.5,
			estimate: { value: 8.2, sd: 0.2 }
		} as const;
		const { value, run } = await readAlkalinity(scope, water.id, { said });
		const [score] = (await world.services.practice.readPractice(scope)).me.said;
		expect(score!.own).toMatchObject({ times: 1, give: 0.5 });
		expect(score!.own!.off).toBeCloseTo(Math.abs(value - 8), 9);
		expect(await world.services.practice.saidBeforeRun(scope, run.id)).toEqual(said);
	});
});

describe('mentor and learner', () => {
	async function twoOf(name: string) {
		const { scope, water, waterId } = await world.site(name);
		const person = { id: newId(), displayName: 'Learner', createdAt: world.now };
		await addPerson(world.deps.db, person);
		const memberId = newId();
		await addMembership(world.deps.db, {
			...{ siteId: scope.siteId, id: memberId, personId: person.id, role: 'helper' },
			...{ fromAt: world.now, untilAt: null }
		});
		const learner = (await world.services.water.openWater(person, waterId))!.scope;
		return { mentor: scope, learner, water, memberId };
	}
	it('see of each other what was agreed, and no more', async () => {
		const { mentor, learner, water } = await twoOf('agreed');
		await practise(learner, water.id, [vial(1), vial(2)]);
		const others = async () => (await world.services.practice.readPractice(mentor)).others;
		expect(await others()).toEqual([]);
		await world.services.practice.sharePractice(learner, {
			id: newId(),
			deed: { kind: 'share', shown: true }
		});
		expect((await others()).map((o) => o.name)).toEqual(['Learner']);
		world.now = addSeconds(NOON, 60);
		await world.services.practice.sharePractice(learner, {
			id: newId(),
			deed: { kind: 'share', shown: false }
		});
		expect(await others()).toEqual([]);
		world.now = NOON;
	});
	it('a lesson is set for a member, counted as it is done, and refused to a helper and for strangers', async () => {
		const { mentor, learner, water, memberId } = await twoOf('lesson');
		const lesson = {
			kind: 'lesson',
			forMember: memberId,
			subject: END_POINT,
			vials: 3,
			note: 'slowly'
		} as const;
		expect(await world.services.practice.mentorPractice(mentor, { id: newId(), deed: lesson })).toMatchObject(
			{
				ok: true
			}
		);
		world.now = addSeconds(NOON, 60);
		await practise(learner, water.id, [vial(1), vial(0)]);
		const [mine] = (await world.services.practice.readPractice(learner)).lessons;
		expect(mine).toMatchObject({ done: 2, vials: 3, note: 'slowly' });
		// The mentor sees how far it is only of somebody who agreed.
		const seen = async () => (await world.services.practice.readPractice(mentor)).lessons[0]!.done;
		expect(await seen()).toBe(0);
		await world.services.practice.sharePractice(learner, {
			id: newId(),
			deed: { kind: 'share', shown: true }
		});
		expect(await seen()).toBe(2);
		expect(
			await world.services.practice.mentorPractice(learner, { id: newId(), deed: lesson })
		).toMatchObject({ fault: { code: 'not-allowed' } });
		const stranger = { ...lesson, forMember: newId() };
		expect(
			await world.services.practice.mentorPractice(mentor, { id: newId(), deed: stranger })
		).toMatchObject({ fault: { code: 'unknown-item', field: 'forMember' } });
		world.now = NOON;
	});
	it('a note stands at its step at the bench of everybody of the house, and goes when it is emptied', async () => {
		const { mentor, water } = await twoOf('note');
		const waterId = water.id;
		const step = { kind: 'step-note', methodCode: 'alk-syringe', stepId: '5-titrate' } as const;
		const notes = async () => (await world.bench(waterId, HABITS)).stepNotes!;
		const { stepsFor, ALK_SYRINGE } = await import('../../src/lib/core/method/index.ts');
		const stepId = stepsFor(ALK_SYRINGE, 'full').at(-1)!.id;
		const leave = (note: string) =>
			world.services.practice.mentorPractice(mentor, { id: newId(), deed: { ...step, stepId, note } });
		expect(await leave('Look from above.')).toMatchObject({ ok: true });
		expect(await notes()).toMatchObject([{ note: 'Look from above.', stepId }]);
		world.now = addSeconds(NOON, 60);
		await leave('');
		expect(await notes()).toEqual([]);
		const nowhere = { id: newId(), deed: { ...step, stepId: 'no-such-step', note: 'x' } };
		expect(await world.services.practice.mentorPractice(mentor, nowhere)).toMatchObject({
			fault: { code: 'unknown-item', field: 'stepId' }
		});
		world.now = NOON;
	});
	it('nothing of it is seen from another site', async () => {
		const { learner, water } = await twoOf('here');
		await practise(
			learner,
			water.id,
			LATE.map((l) => vial(l))
		);
		const other = await world.site('there');
		const { me, others, lessons } = await world.services.practice.readPractice(other.scope);
		expect([me.eyes, others, lessons]).toEqual([[], [], []]);
	});
});
