import { USUAL_PRIORS } from '$lib/core/plausibility';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_MG_PAIR,
	CA_SYRINGE,
	HARDNESS_DROPS,
	NO3_CARD,
	NO3_LADDER,
	PO4_METER,
	SALINITY_FLOAT,
	SHIPPED_METHODS,
	type Method
} from '$lib/core/method';
import type { SyringeReading } from '$lib/core/reading';
import { emptyReading, readingOf, type ReadingDraft } from '$lib/ui/shared/reading-draft';
import { measure, resolutionOf, typicalUncertainty } from './measure';
import { together } from '../result/repeats';

const habits = { endPoint: 'full', between: 'interpolate' } as const;
const drafted = (method: Method, change: Partial<ReadingDraft>) =>
	readingOf(method, 'full', { ...emptyReading(method, habits), ...change });
const plunger = (ml: number, method = ALK_SYRINGE) => {
	const [first, ...rest] = emptyReading(method, habits).titrations;
	return [{ ...first!, fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }] }, ...rest];
};
const contexts = {
	alkalinity: {
		band: { low: 7.5, high: 9, aim: 8.2 },
		expected: { value: 8.2, uRandom: 0.15, uCommon: 0.06 }
	}
};

describe('a draft', () => {
	it('is a reading once all that its form needs was read, and not before', () => {
		for (const method of SHIPPED_METHODS) {
			const empty = drafted(method, {});
			// Nothing counted is a count: the colour may have turned at once.
			expect(empty === null, method.code).toBe(empty?.form !== 'drops');
		}
		const titrations = plunger(0.41);
		expect(drafted(ALK_SYRINGE, { titrations })).toMatchObject({
			form: 'syringe',
			readAs: 'left',
			endPoint: 'full'
		});
		const refilled = [{ ...titrations[0]!, fills: [...titrations[0]!.fills, { startMl: 1, end: null }] }];
		expect(drafted(ALK_SYRINGE, { titrations: refilled })).toBeNull();
		const [first] = plunger(0.83);
		const [, second] = emptyReading(CA_MG_PAIR, habits).titrations;
		expect(drafted(CA_MG_PAIR, { titrations: [first!, second!] })).toBeNull();
		expect(drafted(CA_MG_PAIR, { titrations: [first!, first!] })).toMatchObject({ form: 'pair' });
	});
	it('puts a range in order, and carries blank, dilution and circumstances', () => {
		const [drops] = emptyReading(ALK_DROPS, habits).titrations;
		expect(drafted(ALK_DROPS, { titrations: [{ ...drops!, least: 22, most: 20, bad: 1 }] })).toMatchObject({
			least: 20,
			most: 22,
			bad: 1
		});
		const dilution = { sampleMl: 1.8, diluentMl: 7.2, diluentHolds: 0 };
		expect(
			drafted(NO3_LADDER, { at: { kind: 'on', index: 3 }, dilution, circumstances: { light: 'dim' } })
		).toMatchObject({ blank: true, dilution, light: 'dim' });
		expect(drafted(HARDNESS_DROPS, {})).toBeNull();
		expect(drafted(PO4_METER, { shown: 'over' })).toMatchObject({ shown: 'over' });
		expect(drafted(SALINITY_FLOAT, { lower: 1.025, upper: 1.026 })).toMatchObject({ form: 'line' });
	});
	const asks = { others: [], priors: USUAL_PRIORS };
	it('becomes result, verdict and question in one go', () => {
		const reading = drafted(ALK_SYRINGE, { titrations: plunger(0.41) }) as SyringeReading;
		const right = measure(ALK_SYRINGE, reading, contexts, {}, asks);
		expect(right.outcomes[0]!.verdict).toMatchObject({ grade: 'inside', expectation: { fits: true } });
		expect(right.slips?.ask).toEqual([]);
		const swapped = measure(ALK_SYRINGE, { ...reading, readAs: 'used' }, contexts, {}, asks);
		expect(swapped.outcomes[0]!.verdict).toMatchObject({ grade: 'far-outside', side: 'low' });
		expect(swapped.slips?.ask[0]?.kind).toBe('left-for-used');
	});
	it('asks nothing while the plunger still moves', () => {
		const reading = drafted(ALK_SYRINGE, { titrations: plunger(0.05) })!;
		expect(measure(ALK_SYRINGE, reading, contexts).slips).toBeNull();
		expect(measure(ALK_SYRINGE, reading, contexts, {}, asks).slips).not.toBeNull();
	});
	it('is corrected by the kit’s check, asked about by it, and left alone on a standard', () => {
		const reading = drafted(ALK_SYRINGE, { titrations: plunger(0.34) })!;
		const correction = { kind: 'factor', factor: 0.88, relativeU: 0.01 } as const;
		const kit = { droppers: {}, corrections: { alkalinity: correction } };
		const valueOf = (m: ReturnType<typeof measure>) => {
			const { result } = m.outcomes[0]!.outcome;
			return result.kind === 'value' ? result.value : NaN;
		};
		const raw = measure(ALK_SYRINGE, reading, contexts, {}, asks);
		const corrected = measure(ALK_SYRINGE, reading, contexts, { kit }, asks);
		expect(valueOf(corrected) / valueOf(raw)).toBeCloseTo(0.88, 9);
		expect(Math.abs(corrected.slips!.z)).toBeLessThan(Math.abs(raw.slips!.z));
		expect(valueOf(measure(ALK_SYRINGE, reading, {}, { kit, standard: { id: 's' } }))).toBe(valueOf(raw));
	});
	it('has no verdict on a bound, and no expectation without a history', () => {
		const above = drafted(NO3_CARD, { at: { kind: 'above' } })!;
		expect(measure(NO3_CARD, above, {})).toMatchObject({ outcomes: [{ verdict: null }], slips: null });
		const reading = drafted(ALK_SYRINGE, { titrations: plunger(0.41) })!;
		const first = measure(ALK_SYRINGE, reading, {});
		expect(first).toMatchObject({ outcomes: [{ verdict: { grade: null, expectation: null } }], slips: null });
	});
	it('keeps a reading that cannot be as a fault', () => {
		const beyond = drafted(ALK_SYRINGE, { titrations: plunger(2) })!;
		expect(measure(ALK_SYRINGE, beyond, contexts)).toMatchObject({
			outcomes: [],
			fault: { code: 'beyond-syringe' }
		});
	});
});

describe('the typical ±', () => {
	it('is about twice as wide with half a sample, for values in and beyond the syringe', () => {
		for (const [method, typical] of [
			[ALK_SYRINGE, 8.2],
			[CA_SYRINGE, 430],
			[ALK_SYRINGE, 40],
			[ALK_SYRINGE, 0]
		] as const) {
			const full = typicalUncertainty(method, 'full', typical)!;
			expect(full).toBeGreaterThan(0);
			expect(typicalUncertainty(method, 'half', typical)!).toBeGreaterThan(1.3 * full);
			expect(resolutionOf(method, 'half')).toBeCloseTo(2 * resolutionOf(method, 'full')!, 10);
		}
		expect(typicalUncertainty(NO3_CARD, 'full', 10)).toBeNull();
		expect(typicalUncertainty(ALK_DROPS, 'full', 8)).toBeGreaterThan(0.1);
	});
});

describe('repeats of one sample', () => {
	const value = (x: number) =>
		({ kind: 'value', parameter: 'alkalinity', unit: 'dkh', value: x, uRandom: 0.2, uCommon: 0.1 }) as const;
	const of = (now: number, ...before: number[]) =>
		together(
			value(now),
			before.map((x) => [value(x)])
		);
	it('combine to their mean, narrower in the random part only', () => {
		expect(of(8.2)).toBeNull();
		const two = of(8.4, 8.2)!;
		expect(two).toMatchObject({ acceptable: true, outlier: null });
		expect(two.combined!.value).toBeCloseTo(8.3, 10);
		expect(two.combined!.uRandom).toBeCloseTo(0.2 / Math.SQRT2, 10);
		expect(two.combined!.uCommon).toBe(0.1);
	});
	it('ask for a third where two disagree, and then name the one that stands apart', () => {
		expect(of(9.2, 8.2)).toMatchObject({ acceptable: false, combined: null });
		expect(of(8.3, 9.4, 8.2)).toMatchObject({ acceptable: false, outlier: 0, combined: { value: 8.3 } });
	});
});
