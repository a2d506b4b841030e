import {
	afterWaterChange,
	DOSE_RELATIVE_U,
	steadyInputAt,
	type ConcentrationInput
} from '../balance/index.ts';
import { fitLinearModel, type LinearFit } from '../numeric/index.ts';
import { PARAMETERS } from '../quantity/index.ts';
import { daysBetween, type Instant } from '../time/index.ts';
import type { Estimate, Estimator, History, MeasuredPoint } from './estimate.ts';

/** Readings older than this say little about today's consumption, which drifts (husbandry convention). */
const WINDOW_DAYS = 35;
const MOST_READINGS = 10;
/** Degrees of freedom of the t distribution that weighs readings down which do not fit. */
const ROBUST_NU = 4;
const REWEIGHTINGS = 12;
/** With fewer readings it cannot be told which of them is the odd one. */
const LEAST_FOR_REWEIGHTING = 4;

/** Steps of uncertain size: known in the mean, and one more coefficient for what the mean misses. */
interface UncertainStep {
	readonly at: Instant;
	readonly u: number;
}

/** Running total of what is known to have entered since a reference time, canonical unit. */
type Cumulative = (time: Instant) => number;

function recent(points: readonly MeasuredPoint[], now: Instant): MeasuredPoint[] {
	const past = points.filter((p) => p.at <= now);
	const last = past.at(-1);
	if (!last) return [];
	return past.filter((p) => daysBetween(p.at, last.at) <= WINDOW_DAYS).slice(-MOST_READINGS);
}

/** The reading nearest in time stands for the level just before a water change. */
function levelNear(points: readonly MeasuredPoint[], at: Instant): number {
	return points.reduce((best, p) => (Math.abs(p.at - at) < Math.abs(best.at - at) ? p : best)).value;
}

function flowUntil(
	input: Extract<ConcentrationInput, { kind: 'flow' }>,
	origin: Instant,
	time: Instant
): number {
	const ran = (until: Instant) => Math.max(0, Math.min(until, input.to) - input.from);
	return (input.perDay * (ran(time) - ran(origin))) / 86_400_000;
}

/** Splits the inputs into what is known and what is only known roughly. */
function resolveInputs(
	history: History,
	points: readonly MeasuredPoint[],
	origin: Instant
): { readonly cumulative: Cumulative; readonly steps: readonly UncertainStep[] } {
	const spread = PARAMETERS[history.parameter].plausibleSpread;
	const moves: { at: Instant; amount: number; u: number }[] = [];
	for (const input of history.inputs) {
		if (input.kind === 'flow' || input.at <= origin) continue;
		if (input.kind === 'step') {
			moves.push(input);
		} else {
			const before = levelNear(points, input.at);
			// Untested new water is taken to be like the old on average, give or take what waters differ by.
			const after = afterWaterChange(before, input.newWater?.value ?? before, input.fraction);
			moves.push({ at: input.at, amount: after - before, u: input.fraction * (input.newWater?.u ?? spread) });
		}
	}
	const cumulative: Cumulative = (time) =>
		moves.reduce((sum, m) => (m.at <= time ? sum + m.amount : sum), 0) +
		history.inputs.reduce((sum, i) => (i.kind === 'flow' ? sum + flowUntil(i, origin, time) : sum), 0);
	return { cumulative, steps: moves.filter((m) => m.u > 0) };
}

/** Weighted fit, reweighted so that a reading far from the line counts for less (Student t, EM). */
function fitRobustly(
	design: readonly (readonly number[])[],
	observed: readonly number[],
	sd: readonly number[],
	priorSd: readonly number[]
): LinearFit {
	let fit = fitLinearModel({ design, observed, sd, priorSd });
	if (observed.length < LEAST_FOR_REWEIGHTING) return fit;
	for (let round = 0; round < REWEIGHTINGS; round++) {
		const widened = sd.map((s, i) => {
			const z = fit.residuals[i]! / s;
			return s / Math.sqrt((ROBUST_NU + 1) / (ROBUST_NU + z * z));
		});
		fit = fitLinearModel({ design, observed, sd: widened, priorSd });
	}
	return fit;
}

/**
 * A straight line through recent readings with the known doses and changes taken out, robust against a
 * misreading. Level and consumption are fitted together; consumption has a prior of 0 give or take the most
 * that is plausible, so that even one reading gives an estimate, with the width it deserves. Uncertainty grows
 * away from the readings by (u/6)² a day for what was not logged (husbandry convention).
 *
 * @see Lange, Little & Taylor (1989), JASA 84, 881, for the reweighting
 */
export const robustLine: Estimator = (history, now) => {
	const points = recent(history.points, now);
	const first = points[0];
	const last = points.at(-1);
	if (!first || !last) return null;

	const { cumulative, steps } = resolveInputs(history, points, first.at);
	const used = steps.filter((s) => s.at > first.at);
	const row = (time: Instant) => [
		1,
		-daysBetween(first.at, time),
		...used.map((s) => (s.at <= time ? 1 : 0))
	];
	const fit = fitRobustly(
		points.map((p) => row(p.at)),
		points.map((p) => p.value - cumulative(p.at)),
		points.map((p) => p.uRandom),
		[Infinity, PARAMETERS[history.parameter].plausibleRatePerDay, ...used.map((s) => s.u)]
	);

	const meanOf = (pick: (p: MeasuredPoint) => number) =>
		points.reduce((sum, p) => sum + pick(p), 0) / points.length;
	const wanderPerDay = (meanOf((p) => p.uRandom) / 6) ** 2;
	const uCommon = meanOf((p) => p.uCommon);
	const steady = steadyInputAt(history.inputs, now);
	const slopeU = Math.sqrt(fit.covariance[1]![1]!);
	// How fast the level moves is read off the readings; what is used besides rests on the dose's strength too.
	const consumption = { value: fit.coefficients[1]!, u: Math.hypot(slopeU, DOSE_RELATIVE_U * steady) };

	const estimate: Estimate = {
		basedOn: points.length,
		from: first.at,
		to: last.at,
		consumptionPerDay: consumption,
		netChangePerDay: { value: steady - consumption.value, u: slopeU },
		at(time) {
			const x = row(time);
			const value = x.reduce((sum, v, i) => sum + v * fit.coefficients[i]!, 0) + cumulative(time);
			let variance = wanderPerDay * Math.max(0, daysBetween(last.at, time));
			for (let i = 0; i < x.length; i++)
				for (let j = 0; j < x.length; j++) variance += x[i]! * x[j]! * fit.covariance[i]![j]!;
			// A straight line runs below nothing where a water does not.
			const least = PARAMETERS[history.parameter].conceivable[0];
			return { value: Math.max(least, value), uRandom: Math.sqrt(variance), uCommon };
		}
	};
	return estimate;
};
