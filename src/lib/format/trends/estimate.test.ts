import { describe, expect, it } from 'vitest';
import type { RateMove } from '$lib/core/judgement/water';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { addDays, instant } from '$lib/core/time';
import { besidesSentence, moveSentence, stepsLookedFor } from './estimate.ts';

const now = instant(1_789_999_980_000);
const day = (n: number) => addDays(now, n);
const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].units[0]])) as Record<
	ParameterId,
	UnitId
>;
const step: RateMove = {
	parameter: 'alkalinity',
	how: 'step',
	before: { value: 0.8, u: 0.03 },
	after: { value: 1.2, u: 0.03 },
	at: day(-12),
	earliest: day(-14),
	latest: day(-10),
	besides: [
		{ kind: 'animals-in', note: 'Six cuttings.', at: day(-15) },
		{ kind: 'another-kit', note: '', at: day(-13) }
	]
};

describe('a consumption that moved', () => {
	it('is told with its day, and with what happened then', () => {
		expect(moveSentence(step, units, 'UTC', now)).toMatch(/^Alkalinity use rose from 0\.80 ± .* to 1\.20/);
		expect(besidesSentence(step, 'UTC', now)).toMatch(/animals in .*Six cuttings.*another kit was read/);
	});
	it('is told as a drift that nothing explains', () => {
		const drift: RateMove = { ...step, how: 'drift', at: null, earliest: null, latest: null, besides: [] };
		expect(moveSentence(drift, units, 'UTC', now)).toContain('has risen');
		expect(besidesSentence(drift, 'UTC', now)).toBe('Nothing was entered that would explain it.');
	});
	it('is said not to be found, and what could not have shown it', () => {
		expect(
			stepsLookedFor([
				{ parameter: 'alkalinity', couldShow: true, found: true },
				{ parameter: 'calcium', couldShow: true, found: false },
				{ parameter: 'magnesium', couldShow: false, found: false }
			])
		).toBe('No step of the use was found for calcium. Read too seldom to show one: magnesium.');
		expect(stepsLookedFor([])).toBe('');
	});
});
