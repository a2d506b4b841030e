import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE, CA_SYRINGE, SHIPPED_METHODS, stepsFor, type ProtocolStep } from '../method/index.ts';
import { addSeconds, instant } from '../time/index.ts';
import {
	admit,
	endsByItself,
	entriesBack,
	progressOf,
	withWhatFollows,
	type BenchEntry,
	type BenchPress
} from './index.ts';

const steps = stepsFor(CA_SYRINGE, 'full');
const start = instant(1_700_000_000_000);

type Plain = Exclude<BenchEntry['kind'], 'ahead' | 'mishap'>;
/** Presses in order, a number of seconds apart; what is refused is left out. */
function press(...kinds: (Plain | number)[]) {
	let log: readonly BenchEntry[] = [];
	let at = start;
	const faults: string[] = [];
	for (const kind of kinds) {
		if (typeof kind === 'number') {
			at = addSeconds(at, kind);
			continue;
		}
		const outcome = admit(steps, log, { at, kind });
		if (outcome.ok) log = outcome.value;
		else faults.push(outcome.fault.code);
	}
	return { log, faults, progress: progressOf(steps, log) };
}
const toBuffer = ['step-done', 'step-done'] as const;
const sixDrops = Array.from({ length: 6 }, () => 'drop' as const);

describe('running a protocol', () => {
	it('begins at its first step and ends after its last', () => {
		expect(press().progress).toMatchObject({ stepIndex: 0, drops: 0, canUndo: false });
		const all = press(
			...toBuffer,
			...sixDrops,
			'step-done',
			'timer-started',
			21,
			'step-done',
			'drop',
			'drop',
			'drop',
			'step-done',
			'timer-started',
			11,
			'step-done',
			'step-done',
			'step-done'
		);
		expect(all.progress).toMatchObject({ step: null, stepIndex: steps.length, deviations: [] });
		expect(all.faults).toEqual([]);
		expect(admit(steps, all.log, { at: start, kind: 'step-done' })).toMatchObject({ ok: false });
	});
	it('opens the next step only when the count is reached', () => {
		const short = press(...toBuffer, 'drop', 'drop', 'step-done');
		expect(short.faults).toEqual(['count-not-reached']);
		expect(short.progress).toMatchObject({ stepIndex: 2, drops: 2 });
	});
	it('opens it only when the time is over', () => {
		const early = press(...toBuffer, ...sixDrops, 'step-done', 'timer-started', 19, 'step-done');
		expect(early.faults).toEqual(['timer-running']);
		expect(early.progress.timer).toMatchObject({ dueAt: addSeconds(start, 20) });
		expect(press(...toBuffer, ...sixDrops, 'step-done', 'step-done').faults).toEqual(['timer-running']);
	});
	it('lets a step be left, and keeps what was not as written', () => {
		const left = press(...toBuffer, 'drop', 'drop', 'step-left', 'timer-started', 5, 'step-left');
		expect(left.progress.deviations).toEqual([
			{ stepId: '3-drops', planned: 6, actual: 2, what: 'count' },
			{ stepId: '4-stand', planned: 20, actual: 5, what: 'seconds' }
		]);
	});
	it('notices a drop too many, and a wait far too long', () => {
		expect(press(...toBuffer, ...sixDrops, 'drop', 'step-done').progress.deviations).toHaveLength(1);
		expect(
			press(...toBuffer, ...sixDrops, 'step-done', 'timer-started', 300, 'step-done').progress.deviations
		).toHaveLength(1);
	});
	it('takes the last press back, as often as there are presses', () => {
		const back = press(...toBuffer, 'drop', 'drop', 'undone', 'undone', 'undone');
		expect(back.progress).toMatchObject({ stepIndex: 1, drops: 0 });
		expect(press('undone').faults).toEqual(['nothing-to-undo']);
	});
	it('is at the same place whenever the log is read again, and any press can be undone', () => {
		const kind = fc.constantFrom<Plain>('drop', 'timer-started', 'step-done', 'step-left', 'undone');
		fc.assert(
			fc.property(fc.array(kind, { maxLength: 40 }), fc.integer({ min: 0, max: 30 }), (kinds, gap) => {
				const { log, progress } = press(...kinds.flatMap((k) => [gap, k]));
				expect(progressOf(steps, JSON.parse(JSON.stringify(log)) as BenchEntry[])).toEqual(progress);
				if (progress.step) {
					const more = admit(steps, log, { at: start, kind: 'drop' });
					const back = more.ok && admit(steps, more.value, { at: start, kind: 'undone' });
					expect(back && back.ok && progressOf(steps, back.value)).toEqual(progress);
				}
			})
		);
	});
});

describe('what follows by itself', () => {
	const every = SHIPPED_METHODS.map((m) => stepsFor(m, 'full')).filter((s) => s.length > 0);
	/** Presses what a step asks for, and lets what follows follow. */
	function go(of: readonly ProtocolStep[], presses: readonly BenchPress['kind'][]) {
		let log: readonly BenchEntry[] = [];
		let at = start;
		const backs: (readonly BenchEntry[])[] = [];
		for (const kind of presses) {
			at = addSeconds(at, 3);
			const outcome = admit(of, log, { at, kind } as BenchEntry);
			if (!outcome.ok) continue;
			backs.push(log);
			log = withWhatFollows(of, outcome.value, at);
		}
		return { log, before: backs.at(-1) ?? [] };
	}
	it('the last drop ends its step, and a swirl begins with it', () => {
		const alk = stepsFor(ALK_SYRINGE, 'full');
		const { log } = go(alk, ['step-done', 'step-done', 'drop', 'drop', 'drop']);
		const progress = progressOf(alk, log);
		expect(progress.step?.action.kind).toBe('swirl');
		expect(endsByItself(progress, progress.timer!.dueAt - 1)).toBe(false);
		expect(endsByItself(progress, progress.timer!.dueAt)).toBe(true);
		expect(progress.deviations).toEqual([]);
	});
	it('no wait, no bottle and no reading begins or ends by itself', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...every),
				fc.array(fc.constantFrom('drop', 'timer-started', 'step-done', 'step-left'), { maxLength: 40 }),
				(of, presses) => {
					const { log } = go(of, presses);
					const progress = progressOf(of, log);
					const kind = progress.step?.action.kind;
					if (kind === 'stand' || kind === 'filter' || kind === 'titrate' || kind === 'read')
						expect(endsByItself(progress, Infinity)).toBe(false);
				}
			)
		);
	});
	it('one press back takes back one press, with all that followed from it', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...every),
				fc.array(fc.constantFrom('drop', 'step-done', 'step-left'), { minLength: 1, maxLength: 40 }),
				(of, presses) => {
					const { log, before } = go(of, presses);
					if (log.length === 0) return;
					const n = entriesBack(of, log);
					const undone = [
						...log,
						...Array.from({ length: n }, () => ({ at: start, kind: 'undone' }) as const)
					];
					const [now, then] = [progressOf(of, undone), progressOf(of, before)];
					expect([now.stepIndex, now.drops]).toEqual([then.stepIndex, then.drops]);
				}
			)
		);
	});
	it('done by heart goes straight to the reading: a way of working, no deviation', () => {
		for (const of of every) {
			const { log } = go(of, ['by-heart']);
			const progress = progressOf(of, log);
			const kind = progress.step?.action.kind;
			expect(['titrate', 'read']).toContain(kind);
			expect(progress.deviations).toEqual([]);
			expect(progress.byHeart).toEqual(of.slice(0, progress.stepIndex).map((s) => s.id));
			expect(admit(of, log, { at: start, kind: 'by-heart' })).toMatchObject({ ok: false });
		}
	});
});
