import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE, CA_SYRINGE } from '$lib/core/method';
import type { SyringeReading } from '$lib/core/reading';
import { instant } from '$lib/core/time';
import type { BenchDraft } from '$lib/ui/shared/BenchDesk.svelte';
import { measure, readingOf, typicalUncertainty } from './measure';

const draft: BenchDraft = {
	waterId: 'w',
	methodCode: 'alk-syringe',
	portion: 'full',
	runId: 'r',
	sampleId: 's',
	readingId: 'x',
	startedAt: instant(0),
	log: [],
	readAs: 'left',
	fills: [{ startMl: 1, end: { lowerMl: 0.41, upperMl: 0.41 } }],
	sure: true,
	note: '',
	readAt: null
};
const context = {
	band: { low: 7.5, high: 9, aim: 8.2 },
	expected: { value: 8.2, uRandom: 0.15, uCommon: 0.06 }
};

describe('a draft', () => {
	it('is a reading once its last filling was read, and not before', () => {
		expect(readingOf(draft)).toEqual({ portion: 'full', readAs: 'left', sure: true, fills: draft.fills });
		expect(readingOf({ ...draft, fills: [...draft.fills, { startMl: 1, end: null }] })).toBeNull();
	});
	it('becomes result, verdict and question in one go', () => {
		const right = measure(ALK_SYRINGE, readingOf(draft)!, context);
		expect(right.derived.ok).toBe(true);
		expect(right.verdict).toMatchObject({ grade: 'inside', expectation: { fits: true } });
		expect(right.slips?.ask).toBeNull();
		const swapped = measure(ALK_SYRINGE, { ...readingOf(draft)!, readAs: 'used' }, context);
		expect(swapped.verdict).toMatchObject({ grade: 'outside', side: 'low', expectation: { fits: false } });
		expect(swapped.slips?.ask?.kind).toBe('left-for-used');
	});
	it('has no verdict on a bound, and no expectation without a history', () => {
		const nothing: SyringeReading = {
			...readingOf(draft)!,
			readAs: 'used',
			fills: [{ startMl: 1, end: { lowerMl: 0, upperMl: 0 } }]
		};
		expect(measure(ALK_SYRINGE, nothing, context)).toMatchObject({ verdict: null, slips: null });
		const first = measure(ALK_SYRINGE, readingOf(draft)!, { band: null, expected: null });
		expect(first).toMatchObject({ verdict: { grade: null, expectation: null }, slips: null });
	});
	it('keeps a reading that cannot be as a fault', () => {
		const beyond: SyringeReading = {
			...readingOf(draft)!,
			fills: [{ startMl: 1, end: { lowerMl: 2, upperMl: 2 } }]
		};
		expect(measure(ALK_SYRINGE, beyond, context)).toMatchObject({ derived: { ok: false }, verdict: null });
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
			const full = typicalUncertainty(method, 'full', typical);
			expect(full).toBeGreaterThan(0);
			expect(typicalUncertainty(method, 'half', typical)).toBeGreaterThan(1.3 * full);
		}
	});
});
