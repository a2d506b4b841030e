import { Value } from '@sinclair/typebox/value';
import { describe, expect, it } from 'vitest';
import { SaveSession } from '$lib/contract/session';
import { layOutOrSay, planOfOrder, remainingProblem } from '$lib/core/bench';
import { methodByCode } from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import type { TestResult } from '$lib/core/reading';
import { addSeconds, instant } from '$lib/core/time';
import { BenchDesk } from './BenchDesk.svelte';
import { passOn, sheetOf, watersIn, type BenchDraft, type BenchSession } from './bench-session';
import { emptyReading } from './reading-draft';

const START = instant(1_700_000_000_000);
const id = (n: number) => `01a209a2-e488-7836-b0bd-${String(n).padStart(12, '0')}`;

function draft(code: string, n: number, change: Partial<BenchDraft> = {}): BenchDraft {
	const method = methodByCode(code)!;
	return {
		waterId: id(1),
		method,
		portion: 'full',
		runId: id(n),
		sampleId: id(n + 1000),
		readingId: id(n + 2000),
		drawnAt: START,
		startedAt: START,
		log: [],
		reading: emptyReading(method, { endPoint: 'full', between: 'interpolate' }),
		keptHow: '',
		earlier: [],
		note: '',
		readAt: null,
		...change
	};
}
function session(tests: readonly BenchDraft[], change: Partial<BenchSession> = {}): BenchSession {
	return {
		id: id(9),
		waterId: id(1),
		revision: 1,
		alone: false,
		startedAt: null,
		tests,
		finished: [],
		at: tests[0]?.runId ?? null,
		order: [],
		wishes: [],
		guidance: 'card',
		changeoverS: 8,
		vials: null,
		pausedAt: null,
		seenAt: START,
		...change
	};
}
const calcium: TestResult = {
	kind: 'value',
	parameter: 'calcium',
	unit: 'mg-per-l',
	value: 428,
	uRandom: 4,
	uCommon: 3
};

/** A desk with a store in memory, a clock that is moved by hand, and a planner that answers at once. */
function bench() {
	let now = START;
	const kept = new Map<string, string>();
	const store = {
		read: <T>(key: string) => Promise.resolve(JSON.parse(kept.get(key) ?? 'null') as T | null),
		write: (key: string, value: unknown) => Promise.resolve(void kept.set(key, JSON.stringify(value))),
		remove: (key: string) => Promise.resolve(void kept.delete(key))
	};
	const clock = { now: () => now };
	const made = () => {
		const fresh = new BenchDesk(clock, store);
		fresh.usePlanner({ remainingProblem, planOfOrder });
		return fresh;
	};
	const desk = made();
	return {
		desk,
		kept,
		again: made,
		pass: (seconds: number, tick = true) => {
			now = addSeconds(now, seconds);
			if (tick) desk.tick();
		},
		plan: (of: BenchDesk = desk) => {
			let spent = 0;
			of.tick();
			of.arrange(layOutOrSay(of.remaining!.problem, { random: seededRandom(2), spent: () => ++spent / 400 }));
		}
	};
}

describe('what a finished test means to the others', () => {
	const done = (results: readonly TestResult[] | null, d = draft('ca-syringe', 1)) => ({
		draft: { ...d, reading: { ...d.reading, endPoint: 'first-hint' as const } },
		results,
		deviations: [],
		finishedAt: START
	});
	it('the difference takes over the calcium, and the habit by which it was found', () => {
		const total = draft('hardness-drops', 2);
		const [next] = passOn(session([draft('ca-syringe', 1), total]), done([calcium])).slice(1);
		expect(next!.reading.subtract).toMatchObject({
			value: 428,
			uRandom: 4,
			uCommon: 3,
			endPoint: 'first-hint'
		});
		expect(next!.reading.endPoint).toBe('first-hint');
		// Another water's calcium is no business of it.
		const elsewhere = { ...total, waterId: id(5) };
		expect(passOn(session([elsewhere]), done([calcium]))).toEqual([elsewhere]);
	});
	it('a replicate knows what the same sample gave before', () => {
		const first = draft('ca-syringe', 1);
		const second = draft('ca-syringe', 2, { sampleId: first.sampleId });
		expect(passOn(session([first, second]), done([calcium], first))[1]!.earlier).toEqual([[calcium]]);
		expect(passOn(session([first, second]), done(null, first))[1]!.earlier).toEqual([]);
	});
	it('tells the server what can be gone on with elsewhere', () => {
		const of = session([draft('no3-card', 1), draft('alk-drops', 2, { waterId: id(3) })], {
			finished: [done([calcium], draft('ca-syringe', 4))]
		});
		const sheet = sheetOf(of, id(99), 'under-way', null, START);
		expect([...Value.Errors(SaveSession, sheet)]).toEqual([]);
		expect(sheet.tests.map((t) => [t.methodCode, t.over])).toEqual([
			['no3-card', false],
			['alk-drops', false],
			['ca-syringe', true]
		]);
		expect(watersIn(of)).toEqual([id(1), id(3)]);
	});
});

describe('a session at the desk', () => {
	it('turns to what the plan has next whenever a step is done, and finds its place again', async () => {
		const { desk, plan, pass, again } = bench();
		await desk.open();
		desk.layOut(session([draft('alk-syringe', 1), draft('no3-card', 2)]));
		plan();
		expect(desk.plan!.makespanS).toBeGreaterThan(60);
		desk.begin();
		const first = desk.draft!.runId;
		expect(first).toBe(desk.plan!.placed[0]!.test);
		for (let i = 0; i < 3 && desk.draft!.runId === first; i++) {
			pass(30);
			desk.note(desk.progress!.step!.action.kind === 'drops' ? 'step-left' : 'step-done');
			if (!desk.plan) plan();
		}
		const later = again();
		await later.open();
		expect(later.session?.tests).toEqual(desk.session?.tests);
		expect(later.draft?.runId).toBe(desk.draft?.runId);
	});
	it('is finished test by test, and then shows all of them', async () => {
		const { desk, plan } = bench();
		await desk.open();
		desk.layOut(session([draft('ph-card', 1), draft('ca-syringe', 2)]));
		plan();
		desk.begin();
		desk.select(id(2));
		await desk.finish(id(2), [calcium]);
		expect(desk.session!.tests.map((t) => t.runId)).toEqual([id(1)]);
		expect(desk.draft!.runId).toBe(id(1));
		await desk.giveUp();
		expect(desk.session!.tests).toEqual([]);
		expect(desk.session!.finished.map((f) => f.results)).toEqual([[calcium], null]);
		await desk.clear();
		expect(desk.session).toBeNull();
	});
	it('leaves the hands where they are when another test is finished meanwhile', async () => {
		const { desk, plan } = bench();
		await desk.open();
		desk.layOut(session([draft('ph-card', 1), draft('ca-syringe', 2), draft('no3-card', 3)]));
		plan();
		desk.begin();
		desk.select(id(3));
		await desk.finish(id(2), [calcium]);
		expect(desk.draft!.runId).toBe(id(3));
	});
	it('says first what was missed while it slept, unless it was paused', async () => {
		const { desk, plan, pass } = bench();
		await desk.open();
		const log = [
			...['step-done', 'step-done', 'step-left', 'step-left', 'step-done', 'step-left'].map((kind) => ({
				at: START,
				kind: kind as 'step-done'
			}))
		];
		desk.layOut(session([draft('no3-card', 1, { log })]));
		plan();
		desk.begin();
		expect(desk.timers).toMatchObject([{ label: 'Nitrate', leftMs: 360_000 }]);
		for (let s = 0; s < 380; s += 10) pass(10);
		expect(desk.missed).toBeNull();
		pass(130);
		expect(desk.missed).toMatchObject({ sleptMs: 130_000, overdue: [{ test: id(1), lateS: 135 }] });
		desk.missedSeen();
		desk.pause();
		pass(600);
		expect(desk.missed).toBeNull();
		expect(desk.session!.pausedAt).not.toBeNull();
		desk.resume();
		expect(desk.session!.pausedAt).toBeNull();
	});
	it('goes back over a whole step, whatever was pressed in it', async () => {
		const { desk } = bench();
		await desk.open();
		desk.start(draft('alk-drops', 1));
		for (const kind of ['step-done', 'step-done', 'drop', 'drop'] as const) desk.note(kind);
		expect(desk.progress!.step!.action.kind).toBe('titrate');
		desk.readTitration(0, { least: 3 });
		expect(desk.progress!.begunAt).not.toBeNull();
		desk.back();
		expect(desk.progress).toMatchObject({ stepIndex: 2, drops: 2 });
	});
	it('swirls with the last drop, ends by itself, and takes both back with the drop', async () => {
		const { desk, pass } = bench();
		await desk.open();
		desk.start(draft('alk-syringe', 1));
		for (const kind of ['step-done', 'step-done', 'drop', 'drop', 'drop'] as const) desk.note(kind);
		expect(desk.progress!.step!.action.kind).toBe('swirl');
		expect(desk.progress!.timer).not.toBeNull();
		// A hand that counts one too many does nothing to what comes next.
		expect(desk.isBounce).toBe(true);
		desk.takeBack();
		expect(desk.progress).toMatchObject({ drops: 2, timer: null });
		desk.note('drop');
		pass(9);
		desk.tick();
		expect(desk.progress!.step!.action.kind).toBe('swirl');
		pass(2);
		desk.tick();
		expect(desk.progress!.step!.action.kind).toBe('fill');
		expect(desk.progress!.deviations).toEqual([]);
	});
	it('begins the clock of a test with its first press, not when it was laid out', async () => {
		const { desk, pass } = bench();
		await desk.open();
		desk.layOut(session([draft('ph-card', 1)]));
		pass(900);
		desk.begin();
		desk.note('step-done');
		expect((desk.draft!.startedAt - START) / 1000).toBe(900);
		expect(desk.draft!.drawnAt).toBe(desk.draft!.startedAt);
	});
});
