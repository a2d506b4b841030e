import { isSwirl, type ProtocolStep } from '../method/index.ts';
import type { Instant } from '../time/index.ts';
import { progressOf, standing, type BenchEntry, type Progress } from './progress.ts';

/**
 * What follows from a press without another one: the last drop ends its step, and a swirl begins with what it mixes in.
 * It is written into the log as it happens, so that the log alone tells what was done.
 *
 * @returns the log with what follows, at the moment of the press
 */
export function withWhatFollows(
	steps: readonly ProtocolStep[],
	log: readonly BenchEntry[],
	at: Instant
): readonly BenchEntry[] {
	let out = log;
	const last = standing(log).at(-1)?.kind;
	const counted = progressOf(steps, out);
	const { step } = counted;
	if (last === 'drop' && step?.action.kind === 'drops' && counted.drops === step.action.count) {
		out = [...out, { at, kind: 'step-done' }];
	}
	const next = progressOf(steps, out);
	const turned = next.stepIndex > 0 && (out !== log || last === 'step-done' || last === 'step-left');
	return turned && next.step && isSwirl(next.step) && next.timer === null
		? [...out, { at, kind: 'timer-started' }]
		: out;
}

/** True where what the hands do is over, and nothing has to be pressed for it: mixing, whose time has come. */
export function endsByItself({ step, timer }: Progress, now: number): boolean {
	const kind = step?.action.kind;
	return (kind === 'swirl' || kind === 'stir' || kind === 'shake') && timer !== null && now >= timer.dueAt;
}

/** How many entries one press back takes: what followed by itself goes with what it followed from. */
export function entriesBack(steps: readonly ProtocolStep[], log: readonly BenchEntry[]): number {
	const entries = standing(log);
	let back = 1;
	const before = (n: number) => progressOf(steps, entries.slice(0, entries.length - n)).step;
	const kindAt = (n: number) => entries.at(-n)?.kind;
	const swirl = before(1);
	if (kindAt(1) === 'timer-started' && swirl && isSwirl(swirl) && /^step-/.test(kindAt(2) ?? '')) back = 2;
	// The entry that ended the step, and whether the last drop did it.
	const of = before(back);
	if (kindAt(back) === 'step-done' && of?.action.kind === 'drops' && kindAt(back + 1) === 'drop') back++;
	return Math.min(back, entries.length);
}
