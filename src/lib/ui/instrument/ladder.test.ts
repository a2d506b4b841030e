import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { StepStatement } from '$lib/core/method';
import { halve, nudged, placeOf, statementAt, type Comparison } from './ladder';

const RUNGS = 6;
const statements: fc.Arbitrary<StepStatement> = fc.oneof(
	fc.record({ kind: fc.constant('on' as const), index: fc.integer({ min: 0, max: RUNGS - 1 }) }),
	fc.record({
		kind: fc.constantFrom('between' as const, 'nearer_lower' as const, 'nearer_upper' as const),
		index: fc.integer({ min: 0, max: RUNGS - 2 })
	}),
	fc.constant({ kind: 'above' } as const),
	fc.constant({ kind: 'below' } as const)
);

describe('a place on the ladder', () => {
	it('comes back from where it is drawn', () => {
		fc.assert(
			fc.property(statements, (at) => {
				expect(statementAt(placeOf(at, RUNGS), RUNGS, true)).toEqual(at);
			})
		);
	});
	it('is found for every point that can be pressed', () => {
		fc.assert(
			fc.property(fc.double({ min: -2, max: RUNGS + 2, noNaN: true }), fc.boolean(), (place, hasBelow) => {
				const at = statementAt(place, RUNGS, hasBelow);
				if (!hasBelow) expect(at.kind).not.toBe('below');
				if ('index' in at) {
					expect(at.index).toBeGreaterThanOrEqual(0);
					expect(at.index).toBeLessThan(RUNGS);
				}
			})
		);
	});
});

describe('the arrows', () => {
	it('climb from the lowest place to the highest, visiting each once, and come back', () => {
		for (const hasBelow of [true, false]) {
			const seen: string[] = [];
			let at: StepStatement = hasBelow ? { kind: 'below' } : { kind: 'on', index: 0 };
			while (at.kind !== 'above') {
				seen.push(JSON.stringify(at));
				at = nudged(at, 1, RUNGS, hasBelow);
			}
			expect(seen).toHaveLength(4 * (RUNGS - 1) + (hasBelow ? 2 : 1));
			expect(new Set(seen).size).toBe(seen.length);
			for (const expected of seen.reverse()) {
				at = nudged(at, -1, RUNGS, hasBelow);
				expect(JSON.stringify(at)).toBe(expected);
			}
			expect(nudged(at, -1, RUNGS, hasBelow)).toEqual(at);
		}
	});
	it('begin at an end when nothing was set, and stay at the end', () => {
		expect(nudged(null, 1, RUNGS, false)).toEqual({ kind: 'on', index: 0 });
		expect(nudged(null, -1, RUNGS, false)).toEqual({ kind: 'on', index: RUNGS - 1 });
		expect(nudged({ kind: 'above' }, 1, RUNGS, true)).toEqual({ kind: 'above' });
	});
});

describe('the search by halving', () => {
	/** Answers as a person would who sees a colour at a place: whole numbers are rungs. */
	const search = (place: number, hasBelow = true) => {
		const answers: { rung: number; is: Comparison }[] = [];
		for (;;) {
			const { ask, found } = halve(RUNGS, answers, hasBelow);
			if (ask === null) return { found: found!, asked: answers.length };
			answers.push({ rung: ask, is: place === ask ? 'alike' : place > ask ? 'darker' : 'paler' });
		}
	};
	it('finds every rung, every gap and both ends, in few questions', () => {
		for (let rung = 0; rung < RUNGS; rung++) {
			expect(search(rung).found).toEqual({ kind: 'on', index: rung });
			if (rung < RUNGS - 1) expect(search(rung + 0.5).found).toEqual({ kind: 'between', index: rung });
		}
		expect(search(RUNGS + 1).found).toEqual({ kind: 'above' });
		expect(search(-1).found).toEqual({ kind: 'below' });
		// There is nothing below a lowest step of zero.
		expect(search(-1, false).found).toEqual({ kind: 'on', index: 0 });
		fc.assert(
			fc.property(fc.double({ min: -1, max: RUNGS, noNaN: true }), (place) => {
				expect(search(place).asked).toBeLessThanOrEqual(Math.ceil(Math.log2(RUNGS + 1)));
			})
		);
	});
});
