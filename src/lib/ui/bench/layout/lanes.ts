import { handsSecondsOf, mayBeAhead, progressOf, stepName, type Plan } from '$lib/core/bench';
import { isReading, stepsFor, timerSecondsOf, type ProtocolStep } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import { durationOf } from '$lib/format/bench/bench';
import type { BenchDraft, BenchSession } from '$lib/ui/shared/bench-session';

/** A stretch of one test on the time axis, milliseconds. */
export interface Segment {
	readonly kind: 'done' | 'hands' | 'wait';
	readonly from: number;
	readonly to: number;
	/** As the planner names it. */
	readonly step: string;
	readonly say: string;
	/** In a wait: "exactly 6 min". */
	readonly label: string;
	/** Kept at its time by the keeper. */
	readonly pinned: boolean;
}

export interface Lane {
	readonly runId: string;
	readonly name: string;
	readonly symbol: string;
	readonly water: string;
	readonly over: boolean;
	readonly segments: readonly Segment[];
}

/** Seconds that a step was likely at hand, where nothing says when it was begun. */
const likelyStart = (step: ProtocolStep, since: number, end: number) =>
	Math.max(since, end - 1000 * handsSecondsOf(step));

function pastOf(test: BenchDraft, steps: readonly ProtocolStep[], runId: string): Segment[] {
	const segments: Segment[] = [];
	const undone: (typeof test.log)[number][] = [];
	for (const entry of test.log) {
		if (entry.kind === 'undone') undone.pop();
		else undone.push(entry);
	}
	let index = 0;
	let since: number = test.startedAt;
	let begun: number | null = null;
	const ahead = new Set<string>();
	const add = (step: ProtocolStep, from: number, to: number) =>
		segments.push({
			kind: step.action.kind === 'stand' ? 'wait' : 'done',
			from,
			to,
			step: stepName(runId, step.id),
			say: step.say,
			label: step.action.kind === 'stand' ? durationOf(step) : '',
			pinned: false
		});
	for (const entry of undone) {
		const step = steps[index];
		if (!step) break;
		if (entry.kind === 'ahead') {
			ahead.add(entry.step);
			const own = steps.find((s) => s.id === entry.step);
			if (own) add(own, likelyStart(own, test.startedAt, entry.at), entry.at);
		} else if (entry.kind === 'drop' || entry.kind === 'timer-started') begun ??= entry.at;
		else if (entry.kind === 'step-done' || entry.kind === 'step-left' || entry.kind === 'together') {
			const stands = step.action.kind === 'stand';
			add(step, stands ? since : (begun ?? likelyStart(step, since, entry.at)), entry.at);
			since = entry.at;
			begun = null;
			do index++;
			while (steps[index] && ahead.has(steps[index]!.id));
		} else if (entry.kind === 'by-heart') {
			add(step, since, entry.at);
			since = entry.at;
			begun = null;
			while (steps[index] && !isReading(steps[index]!)) index++;
		}
	}
	return segments;
}

function comingOf(
	test: BenchDraft,
	steps: readonly ProtocolStep[],
	plan: Plan | null,
	now: number,
	pinned: ReadonlySet<string>
): Segment[] {
	const progress = progressOf(steps, test.log);
	const segments: Segment[] = [];
	let end = progress.since ?? now;
	steps.slice(progress.stepIndex).forEach((step, k) => {
		const name = stepName(test.runId, step.id);
		const add = (kind: 'hands' | 'wait', from: number, to: number) =>
			segments.push({
				kind,
				from,
				to,
				step: name,
				say: step.say,
				label: kind === 'wait' ? durationOf(step) : '',
				pinned: pinned.has(name)
			});
		if (progress.ahead.has(step.id)) return;
		const running = k === 0 ? progress.timer : null;
		const seconds = timerSecondsOf(step) ?? 0;
		if (step.action.kind === 'stand' || (step.action.kind === 'filter' && running)) {
			const from = running?.startedAt ?? end;
			end = from + 1000 * seconds;
			add('wait', from, end);
			return;
		}
		const own = plan?.placed.filter((p) => p.step === name) ?? [];
		for (const piece of own) add('hands', now + 1000 * piece.startS, now + 1000 * piece.endS);
		const last = own.at(-1);
		if (!last || (mayBeAhead(step) && !isLast(steps, step))) return;
		end = now + 1000 * last.endS;
		if (step.action.kind === 'filter') {
			add('wait', end, end + 1000 * seconds);
			end += 1000 * seconds;
		}
	});
	return segments;
}
const isLast = (steps: readonly ProtocolStep[], step: ProtocolStep) => steps.at(-1) === step;

/** Every test of the session on one time axis: what was done, what the plan has coming, and the waits between. */
export function lanesOf(
	session: BenchSession,
	plan: Plan | null,
	now: number,
	waterName: (id: string) => string
): readonly Lane[] {
	const pinned = new Set(session.wishes.flatMap((w) => (w.kind === 'pin' ? [w.step] : [])));
	const laneOf = (draft: BenchDraft, over: boolean): Lane => {
		const steps = stepsFor(draft.method, draft.portion);
		const { name, symbol } = PARAMETERS[draft.method.parameter];
		const past = session.startedAt === null ? [] : pastOf(draft, steps, draft.runId);
		return {
			runId: draft.runId,
			name,
			symbol,
			water: draft.standard?.name ?? waterName(draft.waterId),
			over,
			segments: over || draft.readAt !== null ? past : [...past, ...comingOf(draft, steps, plan, now, pinned)]
		};
	};
	return [
		...session.finished.map((f) => laneOf(f.draft, true)),
		...session.tests.map((t) => laneOf(t, false))
	];
}

/** Whole minutes between marks of the axis, so that few enough stand on it. */
export function tickMinutes(spanMs: number, most: number): number {
	const steps = [1, 2, 4, 5, 10, 15, 20, 30, 60];
	return steps.find((m) => spanMs / 60_000 / m <= most) ?? 120;
}
