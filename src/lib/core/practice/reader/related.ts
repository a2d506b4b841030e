import type { Eye, EyePrior } from './eye.ts';

/** What is believed of anybody with no vial tried: biases of a drop or two are usual, more is rare (choice). */
const ANYBODY_SD = 3;
/** How far the bias of one person differs between related end points, steps (choice). */
const BETWEEN_SD = 1.2;
/** The logarithm of a spread: between people, and between end points of one person (choices). */
const ANYBODY_LOG_SD = 1;
const BETWEEN_LOG_SD = 0.5;

/** The weighted mean of what others tell, pulled towards what is believed of anybody. */
function pooled(
	anybody: { readonly mean: number; readonly sd: number },
	betweenSd: number,
	others: readonly { readonly mean: number; readonly sd: number }[]
): { readonly mean: number; readonly sd: number } {
	// Of the person: each related end point tells it as well as it is known itself, and as near as end points are to each other.
	let weight = 1 / (anybody.sd * anybody.sd);
	let sum = anybody.mean * weight;
	for (const { mean, sd } of others) {
		const w = 1 / (sd * sd + betweenSd * betweenSd);
		weight += w;
		sum += mean * w;
	}
	return { mean: sum / weight, sd: Math.sqrt(1 / weight + (others.length > 0 ? betweenSd * betweenSd : 0)) };
}

/**
 * What is believed of an eye at one end point, before it was tried there: the kit's own default, moved by how the same
 * person reads related ones. The first vial at a new kit is no first vial.
 *
 * @param usualU standard uncertainty that the kit takes for granted, steps
 * @param related eyes of the same person at related end points
 * @see Gelman et al. (2013), Bayesian Data Analysis, 3rd ed., chapter 5.4: the normal hierarchical model
 */
export function priorOf(usualU: number, related: readonly Eye[] = []): EyePrior {
	return {
		bias: pooled(
			{ mean: 0, sd: ANYBODY_SD },
			BETWEEN_SD,
			related.map((e) => ({ mean: e.bias.best, sd: e.bias.sd }))
		),
		logSpread: pooled(
			{ mean: Math.log(usualU), sd: ANYBODY_LOG_SD },
			BETWEEN_LOG_SD,
			related.map((e) => ({ mean: e.spread.logMean, sd: e.spread.logSd }))
		)
	};
}
