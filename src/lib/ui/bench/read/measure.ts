import type { BenchContext, BenchOffer } from '$lib/contract/bench';
import { judgeResult, type Verdict } from '$lib/core/judgement';
import { sampleOf, titrationsOf, worthAt, type Method, type Portion } from '$lib/core/method';
import { weighReading, type SlipAssessment, type SlipPriors } from '$lib/core/plausibility';
import {
	derive,
	deriveWith,
	pointOf,
	type Deviation,
	type KnownKit,
	type KnownReader,
	type Outcome,
	type RawReading,
	type TestResult
} from '$lib/core/reading';
import type { Fault } from '$lib/core/result';
import { standardUncertaintyOf } from '$lib/core/uncertainty';

interface JudgedOutcome {
	readonly outcome: Outcome;
	readonly verdict: Verdict | null;
}

export interface Measurement {
	readonly reading: RawReading;
	readonly outcomes: readonly JudgedOutcome[];
	/** Why there are none. */
	readonly fault: Fault | null;
	readonly slips: SlipAssessment | null;
}

/** Judges one result, against what was expected where it is a number. */
export function judged(result: TestResult, context: BenchContext | undefined): Verdict | null {
	const point = pointOf(result);
	const expected = point && (context?.expected ?? null);
	return judgeResult(
		result,
		context?.band ?? null,
		// The same kit read the history, so what is common to all its tests cancels.
		expected && { value: expected.value, sd: Math.hypot(point.uRandom, expected.uRandom) }
	);
}

/** What the finder of slips knows besides the reading: the site's other kits, and what happens there how often. */
export interface SlipKnowledge {
	readonly others: readonly Method[];
	readonly priors: SlipPriors;
}

/** What the reading is made with and of; nothing where the kit is not on the shelf. */
export interface MadeWith {
	readonly kit?: KnownKit | null;
	/** What is used of whoever reads. */
	readonly reader?: KnownReader | null;
	/** A standard shows what the kit says by itself. */
	readonly standard?: { readonly id: string } | null;
	/** What was not done as written. */
	readonly deviations?: readonly Deviation[];
}

/** What is known of the kit and of the reader for this reading. */
export function knownTo({ kit, reader, standard }: MadeWith): KnownKit | null {
	if (!kit && !reader) return null;
	const { droppers = {}, corrections = {} } = kit ?? {};
	return { droppers, corrections: standard ? {} : corrections, reader: reader ?? undefined };
}

/**
 * Everything that follows from a reading: results, verdicts, and whether a slip would explain it better.
 *
 * @param slips left out while the plunger still moves: nobody is asked about a reading that is not done
 */
export function measure(
	method: Method,
	reading: RawReading,
	contexts: BenchOffer['contexts'],
	made: MadeWith = {},
	slips: SlipKnowledge | null = null
): Measurement {
	const kit = knownTo(made);
	const derived = deriveWith(method, reading, kit, made.deviations);
	if (!derived.ok) return { reading, outcomes: [], fault: derived.fault, slips: null };
	return {
		reading,
		outcomes: derived.value.outcomes.map((outcome) => ({
			outcome,
			verdict: judged(outcome.result, contexts[outcome.result.parameter])
		})),
		fault: null,
		slips:
			slips &&
			weighReading(method, reading, (p) => contexts[p]?.expected ?? null, {
				others: slips.others,
				priors: slips.priors,
				kit
			})
	};
}

/** What one mark or one drop is worth, canonical unit; null where nothing is titrated. */
export function resolutionOf(method: Method, portion: Portion): number | null {
	const [titration] = titrationsOf(method);
	const ml = sampleOf(method, portion);
	if (!titration || ml === null) return null;
	const line = worthAt(titration, 0.5, ml, method.sampleMl!.full);
	if ('sense' in line) return null;
	return Math.abs(line.perUnit) * (titration.meter.kind === 'syringe' ? titration.meter.graduationMl : 1);
}

/** Standard uncertainty of a typical result, for choosing between full and half sample; null where it has none. */
export function typicalUncertainty(method: Method, portion: Portion, typical: number): number | null {
	const [titration] = titrationsOf(method);
	const ml = sampleOf(method, portion);
	if (!titration || ml === null || method.kind === 'paired-titration' || method.kind === 'difference')
		return null;
	const line = worthAt(titration, 0.5, ml, method.sampleMl!.full);
	if ('sense' in line) return null;
	const exact = (typical - line.atZero) / line.perUnit;
	const { meter } = titration;
	let reading: RawReading;
	if (meter.kind === 'drops') {
		const count = Math.min(400, Math.max(1, Math.ceil(exact)));
		reading = { form: 'drops', portion, least: count, most: count, bad: 0 };
	} else {
		const used = Math.min(meter.capacityMl, Math.max(meter.graduationMl, exact));
		const endMl = Math.round(used / meter.graduationMl) * meter.graduationMl;
		const fills = [{ startMl: meter.capacityMl, end: { lowerMl: endMl, upperMl: endMl } }];
		reading = { form: 'syringe', portion, readAs: 'used', fills, sure: true };
	}
	const derived = derive(method, reading);
	const point = derived.ok ? pointOf(derived.value.outcomes[0].result) : null;
	return point && standardUncertaintyOf(point);
}
