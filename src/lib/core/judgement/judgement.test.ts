import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { againstBand, gradeOf, isProfileId, judge, judgeResult, PROFILES, repeatWouldTell } from './index.ts';

const band = { low: 7.5, high: 9, aim: 8.2 };

describe('an interval against a band', () => {
	const nitrate = { low: 2, high: 15, aim: null };
	const between = (lower: number, upper: number, best: number) =>
		judgeResult(
			{
				kind: 'interval',
				parameter: 'nitrate',
				unit: 'mg-per-l-no3',
				lower,
				upper,
				best,
				uRandom: 2.9,
				uCommon: 0
			},
			nitrate
		)!;
	it('is inside only with both the ends that are shown', () => {
		expect(between(5, 11, 8).grade).toBe('inside');
		expect(between(2.4, 17, 8).grade).toBe('probably-inside');
		expect(between(0, 11, 8).grade).toBe('probably-inside');
	});
	it('is outside only with both of them, and never told clearer than the same number without ends', () => {
		expect(between(21, 30, 25).grade).toBe('outside');
		expect(between(14, 30, 25).grade).toBe('probably-outside');
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 40, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				(best, down, up) => {
					const whole = between(Math.max(0, best - down), best + up, best);
					const plain = judge(best, 2.9, nitrate, null);
					if (whole.probabilities!.decision !== 'cannot_tell') expect(whole.grade).toBe(plain.grade);
				}
			)
		);
	});
});

describe('a value against a band', () => {
	it('has probabilities that make up the whole', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 5, max: 12, noNaN: true }),
				fc.double({ min: 0.01, max: 2, noNaN: true }),
				(y, u) => {
					const p = againstBand(y, u, band);
					expect(p.pIn + p.pBelow + p.pAbove).toBeCloseTo(1, 12);
					expect(p.pIn).toBeGreaterThanOrEqual(-1e-12);
				}
			)
		);
	});
	it('is inside or outside only when its whole interval is', () => {
		expect(againstBand(8.2, 0.2, band).decision).toBe('clear_in');
		expect(againstBand(6.9, 0.2, band).decision).toBe('clear_low');
		expect(againstBand(9.5, 0.2, band).decision).toBe('clear_high');
		expect(againstBand(7.6, 0.2, band).decision).toBe('cannot_tell');
		expect(againstBand(7.9, 0.2, band).decision).toBe('clear_in');
		expect(() => againstBand(8, 0, band)).toThrow(RangeError);
	});
	it.each([
		[8.2, 0.2, 'inside', null],
		[7.75, 0.2, 'probably-inside', null],
		[7.5, 0.2, 'cannot-tell', 'low'],
		[9.05, 0.2, 'cannot-tell', 'high'],
		[7.3, 0.2, 'probably-outside', 'low'],
		[9.6, 0.2, 'outside', 'high']
	])('%d ± 2·%d is graded %s', (y, u, grade, side) => {
		expect(gradeOf(againstBand(y, u, band))).toEqual({ grade, side });
	});
});

describe('a verdict', () => {
	it('stands without a band and without a history', () => {
		expect(judge(8, 0.2, null, null)).toMatchObject({ grade: null, band: null, expectation: null });
	});
	it('says whether the reading was expected', () => {
		expect(judge(8, 0.2, band, { value: 8.1, sd: 0.2 }).expectation).toMatchObject({ fits: true });
		expect(judge(6, 0.2, band, { value: 8.1, sd: 0.2 }).expectation).toMatchObject({ fits: false });
	});
});

describe('a repeat', () => {
	const band = { low: 7.5, high: 9, aim: null };
	it('is worth it where it could change what is said, and nowhere else', () => {
		expect(repeatWouldTell(7.9, 0.24, 0.02, band)).toBe(true);
		expect(repeatWouldTell(8.25, 0.1, 0.02, band)).toBe(false);
		expect(repeatWouldTell(7.5, 0.2, 0.02, band)).toBe(false);
		expect(repeatWouldTell(7.9, 0.01, 0.24, band)).toBe(false);
		expect(repeatWouldTell(7.9, 0.24, 0.02, null)).toBe(false);
	});
});

describe('profiles', () => {
	it('have their limits in order and their source said', () => {
		for (const [id, profile] of Object.entries(PROFILES)) {
			expect(isProfileId(id)).toBe(true);
			expect(profile.source).not.toBe('');
			for (const { low, high, aim } of Object.values(profile.bands)) {
				expect(low ?? 0).toBeLessThan(high ?? Infinity);
				if (aim !== null) expect(aim).toBeGreaterThan(low ?? 0);
			}
		}
		expect(isProfileId('moon')).toBe(false);
	});
});
