import { describe, expect, it } from 'vitest';
import { normalDeviate, seededRandom } from '../../numeric/index.ts';
import { answerOfDoses, answersOtherwise } from '../index.ts';

/** A tank that uses 0.1 a day and is dosed now and then; the volume was typed `times` too large. */
function lived(times: number) {
	const random = seededRandom(5);
	const doses = [3, 9, 15, 21, 27].map((day) => ({ day, rise: 0.5 / times }));
	const readings = Array.from({ length: 16 }, (_, i) => {
		const day = 2 * i;
		const given = doses.filter((d) => d.day < day).length * 0.5;
		return { day, value: 8 + given - 0.1 * day + normalDeviate(random, 0, 0.07), u: 0.07 };
	});
	return answerOfDoses(doses, readings);
}

describe('what a water answered to its doses', () => {
	it('is what was expected where volume and strength are right', () => {
		const answer = lived(1)!;
		expect(Math.abs(answer.value - 1)).toBeLessThan(2 * answer.u);
		expect(answersOtherwise(answer)).toBeNull();
	});
	it.each([
		[10, 'stronger'],
		[0.3, 'weaker']
	] as const)('tells of a volume typed %d times too large', (times, told) => {
		expect(answersOtherwise(lived(times)!)).toBe(told);
	});
	it('is not told by doses too small to be seen, nor by two readings', () => {
		expect(
			answerOfDoses(
				[{ day: 1, rise: 0.05 }],
				[0, 2, 4, 6].map((day) => ({ day, value: 8, u: 0.1 }))
			)
		).toBeNull();
		expect(
			answerOfDoses(
				[{ day: 1, rise: 2 }],
				[0, 2].map((day) => ({ day, value: 8, u: 0.1 }))
			)
		).toBeNull();
	});
});
