import { describe, expect, it } from 'vitest';
import { addDays, instant } from '$lib/core/time';
import type { Estimate, WaterEstimate } from '$lib/core/trend';
import { besidesSentence, moveSentence, stepsLookedFor } from '$lib/format/estimate';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { StoredEvent } from '../repository/event';
import type { DatedResult } from '../repository/result';
import { rateMoves } from './rate-moves';

const now = instant(1_789_999_980_000);
const day = (n: number) => addDays(now, n);
const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].units[0]])) as Record<
	ParameterId,
	UnitId
>;
const rate = (value: number, u = 0.03) => ({ value, u });
const event = (kind: StoredEvent['kind'], at: number, note = ''): StoredEvent => ({
	id: `${kind}${at}`,
	waterId: 'w',
	kind,
	details: {},
	note,
	happenedAt: day(at),
	offsetMinutes: 0
});
const read = (at: number, methodCode: string): DatedResult => ({
	runId: `${at}`,
	readingId: `${at}`,
	at: day(at),
	methodCode,
	result: { kind: 'value', parameter: 'alkalinity', unit: 'dkh', value: 8, uRandom: 0.2, uCommon: 0.1 }
});
function water(estimate: Partial<Estimate>): WaterEstimate {
	const whole: Estimate = {
		basedOn: 40,
		from: day(-300),
		consumptionPerDay: rate(0.8),
		netChangePerDay: rate(0),
		mostlyBounds: false,
		doubts: [],
		changes: [],
		couldShowSteps: true,
		rateAt: () => rate(0.8),
		at: () => ({ value: 8, uRandom: 0.1, uCommon: 0.1 }),
		...estimate
	};
	return { of: (p) => (p === 'alkalinity' ? whole : null), departure: null, leftOut: [] };
}
const step = {
	at: day(-12),
	earliest: day(-14),
	latest: day(-10),
	before: rate(0.8),
	after: rate(1.2),
	probability: 0.97
};

describe('a consumption that moved', () => {
	it('is told with its day, and with what happened then: an animal, a failure, another kit', () => {
		const events = [
			event('animals-in', -15, 'Six cuttings.'),
			event('note', -12),
			event('failure', -40),
			event('water-change', -12)
		];
		const results = [read(-30, 'alk-syringe'), read(-13, 'alk-drops'), read(-9, 'alk-drops')];
		const [move] = rateMoves(water({ changes: [step] }), results, events, day(-60), now);
		expect(move!.besides.map((b) => b.kind)).toEqual(['animals-in', 'another-kit']);
		expect(moveSentence(move!, units, 'UTC', now)).toMatch(/^Alkalinity use rose from 0\.80 ± .* to 1\.20/);
		expect(besidesSentence(move!, 'UTC', now)).toMatch(/animals in .*Six cuttings.*another kit was read/);
	});
	it('is not told of a step before the days that are looked at', () => {
		expect(rateMoves(water({ changes: [step] }), [], [], day(-5), now)).toEqual([]);
	});
	it('is told as a drift beyond what both ends leave open, and not of less', () => {
		const drifting = (to: number) =>
			rateMoves(
				water({ rateAt: (at) => rate(at === now ? to : 0.6) }),
				[],
				[event('feeding', -4), event('death', -20)],
				day(-60),
				now
			);
		expect(drifting(0.66)).toEqual([]);
		const [move] = drifting(0.8);
		expect(move).toMatchObject({ how: 'drift', at: null });
		expect(move!.besides.map((b) => b.kind)).toEqual(['death']);
		expect(moveSentence(move!, units, 'UTC', now)).toContain('has risen');
		expect(besidesSentence({ ...move!, besides: [] }, 'UTC', now)).toBe(
			'Nothing was entered that would explain it.'
		);
	});
	it('is not claimed where bounds alone were read', () => {
		expect(rateMoves(water({ changes: [step], mostlyBounds: true }), [], [], day(-60), now)).toEqual([]);
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
