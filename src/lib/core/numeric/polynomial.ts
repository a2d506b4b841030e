/** Polynomial a₀ + a₁x + a₂x² + … by Horner's rule. */
export function polynomial(coefficients: readonly number[], x: number): number {
	let sum = 0;
	for (let i = coefficients.length - 1; i >= 0; i--) sum = sum * x + coefficients[i]!;
	return sum;
}
