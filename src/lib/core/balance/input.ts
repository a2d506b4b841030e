import type { ParameterId } from '../quantity/index.ts';
import { PARAMETERS } from '../quantity/index.ts';
import { addDays, type Instant } from '../time/index.ts';

/** A value with its standard uncertainty, in the parameter's canonical unit. */
export interface KnownValue {
	readonly value: number;
	readonly u: number;
}

/** How much one millilitre raises 100 litres, in the parameter's canonical unit; as labels commonly state it. */
export interface SupplementStrength {
	readonly parameter: ParameterId;
	readonly risePerMlIn100L: number;
}

/** The events that move concentrations. All others are kept and shown, but change no balance. */
export type WaterEvent =
	| {
			readonly kind: 'dose';
			readonly at: Instant;
			readonly amountMl: number;
			readonly strength: readonly SupplementStrength[];
	  }
	| {
			/** Also tells of a change: the regime of the same supplement before it ends here. */
			readonly kind: 'recurring-dose';
			readonly at: Instant;
			readonly supplement: string;
			readonly amountMlPerDay: number;
			readonly strength: readonly SupplementStrength[];
	  }
	| {
			readonly kind: 'recurring-dose-missed';
			readonly at: Instant;
			readonly supplement: string;
			readonly days: number;
	  }
	| {
			readonly kind: 'water-change';
			readonly at: Instant;
			readonly fraction: number;
			readonly newWater: Readonly<Partial<Record<ParameterId, KnownValue>>>;
	  };

/** A step in one parameter's concentration, or a steady flow from `from` to `to`. */
export type ConcentrationInput =
	| { readonly kind: 'step'; readonly at: Instant; readonly amount: number; readonly u: number }
	| {
			readonly kind: 'flow';
			readonly from: Instant;
			readonly to: Instant;
			readonly perDay: number;
			/** Relative standard uncertainty of what it brings, the same on every day. */
			readonly relativeU: number;
	  }
	| {
			readonly kind: 'exchange';
			readonly at: Instant;
			readonly fraction: number;
			/** Absent when the new water was not tested: then only its plausible spread is known. */
			readonly newWater: KnownValue | null;
			/** How salty the new water was, where that was tested too. */
			readonly newSalinity?: KnownValue;
	  };

/** A net volume in litres and since when it holds. */
export interface DatedVolume {
	readonly fromAt: Instant;
	readonly litres: number;
}

/**
 * The net volume that a water had at a time, L: what was done then was done to that. Before the first it is the first.
 *
 * @throws {RangeError} where none is known, or one is not above 0
 */
export function volumeAt(volume: number | readonly DatedVolume[], at: Instant): number {
	const sorted = typeof volume === 'number' ? [] : [...volume].sort((a, b) => a.fromAt - b.fromAt);
	const litres =
		typeof volume === 'number' ? volume : (sorted.findLast((v) => v.fromAt <= at) ?? sorted[0])?.litres;
	if (!(litres !== undefined && litres > 0))
		throw new RangeError(`net volume must be above 0 L, not ${litres}`);
	return litres;
}

function riseOf(
	strength: readonly SupplementStrength[],
	parameter: ParameterId,
	amountMl: number,
	volumeL: number
): number {
	return strength
		.filter((s) => s.parameter === parameter)
		.reduce((sum, s) => sum + (s.risePerMlIn100L * amountMl * 100) / volumeL, 0);
}

/** Relative standard uncertainty of a label's strength together with the net volume (husbandry convention). */
export const DOSE_RELATIVE_U = 0.1;

type Recurring = Extract<WaterEvent, { kind: 'recurring-dose' }>;

/** Splits a regime into the stretches in which it really ran, given the days it was missed. */
function flowsOf(
	regime: Recurring,
	until: Instant,
	missed: readonly { readonly at: Instant; readonly days: number }[],
	perDay: number
): ConcentrationInput[] {
	const flows: ConcentrationInput[] = [];
	let from = regime.at;
	for (const gap of missed) {
		const end = addDays(gap.at, gap.days);
		if (gap.at > from && gap.at < until)
			flows.push({ kind: 'flow', from, to: gap.at, perDay, relativeU: DOSE_RELATIVE_U });
		if (end > from && gap.at < until) from = end;
	}
	if (from < until) flows.push({ kind: 'flow', from, to: until, perDay, relativeU: DOSE_RELATIVE_U });
	return flows;
}

/**
 * What the events add to one parameter of a water, in its canonical unit.
 *
 * A recurring dose runs from its event until the next event of the same supplement (an amount of 0 stops it),
 * without the days that were missed; it is taken as spread evenly over the day.
 *
 * @param events in any order
 * @param volume net volume of the water, L, above 0; or all that it had, each dose being reckoned with its own
 * @param until end of the last running regime
 * @returns inputs in the order of their time
 */
export function inputsOf(
	events: readonly WaterEvent[],
	parameter: ParameterId,
	volume: number | readonly DatedVolume[],
	until: Instant
): ConcentrationInput[] {
	const volumeL = (at: Instant) => volumeAt(volume, at);
	volumeL(until);
	const changes = typeof volume === 'number' ? [] : volume.map((v) => v.fromAt).sort((a, b) => a - b);
	const sorted = [...events].sort((a, b) => a.at - b.at);
	const inputs: ConcentrationInput[] = [];
	sorted.forEach((event, i) => {
		if (event.kind === 'dose') {
			const amount = riseOf(event.strength, parameter, event.amountMl, volumeL(event.at));
			if (amount !== 0)
				inputs.push({ kind: 'step', at: event.at, amount, u: Math.abs(amount) * DOSE_RELATIVE_U });
			else if (event.strength.length === 0) {
				inputs.push({ kind: 'step', at: event.at, amount: 0, u: PARAMETERS[parameter].plausibleSpread / 4 });
			}
		} else if (event.kind === 'recurring-dose') {
			const isSame = (e: WaterEvent): e is Recurring =>
				e.kind === 'recurring-dose' && e.supplement === event.supplement;
			const end = sorted.slice(i + 1).find(isSame)?.at ?? until;
			const missed = sorted.filter(
				(e) => e.kind === 'recurring-dose-missed' && e.supplement === event.supplement
			) as { at: Instant; days: number }[];
			// A dose that runs on does otherwise in another volume.
			const edges = [event.at, ...changes.filter((at) => at > event.at && at < end), end];
			for (const [k, from] of edges.slice(0, -1).entries()) {
				const perDay = riseOf(event.strength, parameter, event.amountMlPerDay, volumeL(from));
				if (perDay !== 0) inputs.push(...flowsOf({ ...event, at: from }, edges[k + 1]!, missed, perDay));
			}
		} else if (event.kind === 'water-change') {
			inputs.push({
				kind: 'exchange',
				at: event.at,
				fraction: event.fraction,
				newWater: event.newWater[parameter] ?? null,
				...(event.newWater.salinity ? { newSalinity: event.newWater.salinity } : {})
			});
		}
	});
	const timeOf = (input: ConcentrationInput) => (input.kind === 'flow' ? input.from : input.at);
	return inputs.sort((a, b) => timeOf(a) - timeOf(b));
}

/** The sum of the flows that run at an instant, canonical unit per day. */
export function steadyInputAt(inputs: readonly ConcentrationInput[], at: Instant): number {
	return inputs.reduce(
		(sum, i) => (i.kind === 'flow' && i.from <= at && at <= i.to ? sum + i.perDay : sum),
		0
	);
}
