/** Below this |x| the error function is summed as a series, above it as a continued fraction. */
const SERIES_LIMIT = 2.5;

/**
 * erf(x) = 2/√π · e^(−x²) · Σ 2ⁿ x^(2n+1) / (1·3·…·(2n+1)); every term is positive, so nothing cancels.
 */
function erfSeries(x: number): number {
	let term = x;
	let sum = x;
	for (let n = 1; Math.abs(term) > 1e-17 * Math.abs(sum); n++) {
		term *= (2 * x * x) / (2 * n + 1);
		sum += term;
	}
	return (2 / Math.sqrt(Math.PI)) * Math.exp(-x * x) * sum;
}

/** erfc(x) for x > 0 by Laplace's continued fraction, evaluated from the far end. */
function erfcFraction(x: number): number {
	let fraction = 0;
	for (let n = 60; n >= 1; n--) fraction = n / 2 / (x + fraction);
	return Math.exp(-x * x) / Math.sqrt(Math.PI) / (x + fraction);
}

function erfc(x: number): number {
	if (x < 0) return 2 - erfc(-x);
	return x < SERIES_LIMIT ? 1 - erfSeries(x) : erfcFraction(x);
}

/**
 * Standard normal distribution function Φ(z).
 *
 * @param z any number; ±Infinity give 1 and 0
 * @returns probability, 0 to 1; absolute error below 1e-14, small tails keep their relative precision
 * @see Abramowitz & Stegun (1964), 7.1.6 and 7.1.14
 * @example normalCdf(1.96) // 0.9750021048517795
 */
export function normalCdf(z: number): number {
	return erfc(-z / Math.SQRT2) / 2;
}

/** Density of a normal distribution at x; the unit is one over that of x. */
export function normalDensity(x: number, mean: number, sd: number): number {
	return Math.exp(normalLogDensity(x, mean, sd));
}

/** Natural logarithm of the normal density. @throws {RangeError} when sd is not above zero */
export function normalLogDensity(x: number, mean: number, sd: number): number {
	if (!(sd > 0)) throw new RangeError(`standard deviation must be above 0, not ${sd}`);
	const z = (x - mean) / sd;
	return -0.5 * (Math.log(2 * Math.PI) + z * z) - Math.log(sd);
}
