import { describe, expect, it } from 'vitest';
import { layOut, remainingProblem } from '$lib/core/bench';
import { methodByCode } from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import { addSeconds, instant } from '$lib/core/time';
import { underWay, type BenchDraft, type BenchSession } from '$lib/ui/shared/bench-session';
import { emptyReading } from '$lib/ui/shared/reading-draft';
import { lanesOf, tickMinutes } from './lanes';

const start = instant(1_700_000_000_000);
const draft = (code: string): BenchDraft => {
	const method = methodByCode(code)!;
	return {
		waterId: 'w',
		method,
		portion: 'full',
		runId: code,
		sampleId: 's',
		readingId: 'x',
		drawnAt: start,
		startedAt: start,
		log: [],
		reading: emptyReading(method, { endPoint: 'full', between: 'interpolate' }),
		keptHow: '',
		earlier: [],
		note: '',
		readAt: null
	};
};
const session = (change: Partial<BenchSession> = {}): BenchSession => ({
	id: 'session',
	waterId: 'w',
	revision: 1,
	alone: false,
	startedAt: start,
	tests: [draft('no3-card'), draft('alk-syringe')],
	finished: [],
	at: 'no3-card',
	order: [],
	wishes: [],
	guidance: 'card',
	changeoverS: 8,
	vials: null,
	pausedAt: null,
	seenAt: start,
	...change
});
function planned(of: BenchSession, now = start) {
	let spent = 0;
	const { problem } = remainingProblem(
		underWay(of),
		{ wishes: of.wishes, at: of.at, startedAt: of.startedAt },
		now
	);
	return layOut(problem, { random: seededRandom(3), spent: () => ++spent / 300 })!;
}

describe('lanes', () => {
	it('show hands and waits of the plan, one behind the other', () => {
		const plan = planned(session());
		const [nitrate] = lanesOf(session(), plan, start, () => 'Lobby reef');
		expect(nitrate).toMatchObject({ name: 'Nitrate', water: 'Lobby reef', over: false });
		const wait = nitrate!.segments.find((s) => s.kind === 'wait')!;
		expect(wait.label).toBe('exactly 6 min');
		expect(wait.to - wait.from).toBe(360_000);
		const reads = nitrate!.segments.at(-1)!;
		expect(reads.from).toBeGreaterThanOrEqual(wait.to);
		expect(reads.from).toBeLessThanOrEqual(wait.to + 15_000);
		for (const lane of lanesOf(session(), plan, start, () => '')) {
			for (const s of lane.segments) expect(s.to).toBeGreaterThan(s.from);
		}
	});
	it('show what was done where it was done, and nothing to come of a test that is over', () => {
		const log = [
			{ at: addSeconds(start, 40), kind: 'step-done' as const },
			{ at: addSeconds(start, 70), kind: 'step-done' as const }
		];
		const done = { ...draft('no3-card'), log };
		const of = session({
			tests: [draft('alk-syringe')],
			finished: [{ draft: done, results: [], deviations: [], finishedAt: addSeconds(start, 70) }]
		});
		const [first] = lanesOf(of, planned(of, addSeconds(start, 70)), addSeconds(start, 70), () => '');
		expect(first).toMatchObject({ over: true });
		expect(first!.segments.map((s) => [s.kind, (s.to - start) / 1000])).toEqual([
			['done', 40],
			['done', 70]
		]);
	});
	it('have marks that do not crowd', () => {
		expect(tickMinutes(25 * 60_000, 8)).toBe(4);
		expect(tickMinutes(50 * 60_000, 4)).toBe(15);
		expect(tickMinutes(10 * 3_600_000, 4)).toBe(120);
	});
});
