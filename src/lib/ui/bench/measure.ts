import { judge, type Band, type Verdict } from '$lib/core/judgement';
import { resultPerMl, type SyringeMethod } from '$lib/core/method';
import { weighSyringeReading, type SlipAssessment } from '$lib/core/plausibility';
import {
	deriveSyringeResult,
	standardUncertaintyOf,
	type Derivation,
	type SyringeReading
} from '$lib/core/reading';
import type { Result } from '$lib/core/result';
import type { Prediction } from '$lib/core/trend';
import type { BenchDraft } from '$lib/ui/shared/BenchDesk.svelte';

/** What the server knows of a parameter before the test, canonical units. */
export interface BenchContext {
	readonly band: Band | null;
	readonly expected: Prediction | null;
}

/** The raw reading of a draft, once the last filling was read. */
export function readingOf(draft: BenchDraft): SyringeReading | null {
	const fills = draft.fills.flatMap(({ startMl, end }) => (end ? [{ startMl, end }] : []));
	if (fills.length !== draft.fills.length) return null;
	return { portion: draft.portion, readAs: draft.readAs, fills, sure: draft.sure };
}

export interface Measurement {
	readonly reading: SyringeReading;
	readonly derived: Result<Derivation>;
	readonly verdict: Verdict | null;
	readonly slips: SlipAssessment | null;
}

/** Everything that follows from a reading: result, verdict, and whether a slip would explain it better. */
export function measure(method: SyringeMethod, reading: SyringeReading, context: BenchContext): Measurement {
	const derived = deriveSyringeResult(method, reading);
	const value = derived.ok && derived.value.result.kind === 'value' ? derived.value.result : null;
	const { expected } = context;
	return {
		reading,
		derived,
		verdict:
			value &&
			judge(
				value.value,
				standardUncertaintyOf(value),
				context.band,
				// The same kit read the history, so what is common to all its tests cancels.
				expected && { value: expected.value, sd: Math.hypot(value.uRandom, expected.uRandom) }
			),
		slips: expected && weighSyringeReading(method, reading, expected)
	};
}

/** ± of a typical result in the middle of the band, for choosing between full and half sample. */
export function typicalUncertainty(method: SyringeMethod, portion: 'full' | 'half', typical: number): number {
	const { capacityMl, graduationMl } = method.syringe;
	const usedMl = Math.min(capacityMl, Math.max(graduationMl, typical / resultPerMl(method, portion)));
	const endMl = Math.round(usedMl / graduationMl) * graduationMl;
	const derived = deriveSyringeResult(method, {
		portion,
		readAs: 'used',
		fills: [{ startMl: capacityMl, end: { lowerMl: endMl, upperMl: endMl } }],
		sure: true
	});
	if (!derived.ok || derived.value.result.kind !== 'value')
		throw new Error('a typical reading has no result');
	return standardUncertaintyOf(derived.value.result);
}
