/** Lanczos' coefficients for g = 7, n = 9 (relative error below 1e-14 for positive arguments). */
const LANCZOS: readonly number[] = [
	0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
	12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7
];

/** ln Γ(x) for x > 0. @see Lanczos (1964), SIAM J. Numer. Anal. B 1, 86 */
export function logGamma(x: number): number {
	const z = x - 1;
	const sum = LANCZOS.slice(1).reduce((total, c, i) => total + c / (z + i + 1), LANCZOS[0]!);
	const t = z + 7.5;
	return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

/**
 * Regularised lower incomplete gamma function P(a, x), by its series below a + 1 and by Lentz's continued fraction
 * above.
 *
 * @see Abramowitz & Stegun (1964), 6.5.29 and 6.5.31
 */
export function gammaP(a: number, x: number): number {
	if (x <= 0) return 0;
	const front = Math.exp(a * Math.log(x) - x - logGamma(a));
	if (x < a + 1) {
		let term = 1 / a;
		let sum = term;
		for (let n = 1; term > 1e-17 * sum; n++) sum += term *= x / (a + n);
		return front * sum;
	}
	let b = x + 1 - a;
	let c = 1e300;
	let d = 1 / b;
	let h = d;
	for (let n = 1; n < 500; n++) {
		b += 2;
		const an = -n * (n - a);
		d = 1 / (an * d + b);
		c = b + an / c;
		h *= c * d;
		if (Math.abs(c * d - 1) < 1e-16) break;
	}
	return 1 - front * h;
}

/** Continued fraction of the incomplete beta function, by Lentz's method. @see Abramowitz & Stegun (1964), 26.5.8 */
function betaFraction(x: number, a: number, b: number): number {
	let c = 1;
	let d = 1 / (1 - ((a + b) * x) / (a + 1));
	let h = d;
	for (let m = 1; m < 500; m++) {
		const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
		d = 1 / (1 + even * d);
		c = 1 + even / c;
		h *= c * d;
		const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
		d = 1 / (1 + odd * d);
		c = 1 + odd / c;
		h *= c * d;
		if (Math.abs(c * d - 1) < 1e-16) break;
	}
	return h;
}

/** Regularised incomplete beta function I_x(a, b), 0 ≤ x ≤ 1. */
export function betaI(x: number, a: number, b: number): number {
	if (x <= 0) return 0;
	if (x >= 1) return 1;
	const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
	return x < (a + 1) / (a + b + 2)
		? (front * betaFraction(x, a, b)) / a
		: 1 - (front * betaFraction(1 - x, b, a)) / b;
}
