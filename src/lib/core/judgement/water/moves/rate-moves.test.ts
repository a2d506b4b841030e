import { describe, expect, it } from 'vitest';
import type { DatedResult, EventKind, StoredEvent } from '../../../record/index.ts';
import { addDays, instant } from '../../../time/index.ts';
import type { Estimate, WaterEstimate } from '../../../trend/index.ts';
import { rateMoves } from './rate-moves.ts';

const now = instant(1_789_999_980_000);
const day = (n: number) => addDays(now, n);
const rate = (value: number, u = 0.03) => ({ value, u });
const event = (kind: EventKind, at: number, note = '') =>
	({
		id: `${kind}${at}`,
		waterId: 'w',
		kind,
		details: {},
		note,
		happenedAt: day(at),
		offsetMinutes: 0
	}) as StoredEvent;
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
const moved = (
	estimate: Partial<Estimate>,
	{
		results = [],
		events = [],
		since = day(-60)
	}: { results?: DatedResult[]; events?: StoredEvent[]; since?: ReturnType<typeof day> } = {}
) => rateMoves({ estimates: water(estimate), results, events, now }, since);
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
		const [move] = moved({ changes: [step] }, { results, events });
		expect(move!.besides.map((b) => b.kind)).toEqual(['animals-in', 'another-kit']);
	});
	it('is not told of a step before the days that are looked at', () => {
		expect(moved({ changes: [step] }, { since: day(-5) })).toEqual([]);
	});
	it('is told as a drift beyond what both ends leave open, and not of less', () => {
		const drifting = (to: number) =>
			moved(
				{ rateAt: (at) => rate(at === now ? to : 0.6) },
				{ events: [event('feeding', -4), event('death', -20)] }
			);
		expect(drifting(0.66)).toEqual([]);
		const [move] = drifting(0.8);
		expect(move).toMatchObject({ how: 'drift', at: null });
		expect(move!.besides.map((b) => b.kind)).toEqual(['death']);
	});
	it('is not claimed where bounds alone were read', () => {
		expect(moved({ changes: [step], mostlyBounds: true })).toEqual([]);
	});
});
