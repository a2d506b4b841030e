/**
 * Root of a monotone function by bisection, to the last bit that the interval can be halved to.
 *
 * @param f changes sign, or is zero at an end, between `low` and `high`
 * @throws {RangeError} when both ends lie on the same side of zero
 * @example bisect((x) => x * x - 2, 0, 2) // 1.414213562373095
 */
export function bisect(f: (x: number) => number, low: number, high: number): number {
	const atLow = f(low);
	if (atLow === 0) return low;
	if (f(high) === 0) return high;
	if (atLow > 0 === f(high) > 0) throw new RangeError(`no change of sign between ${low} and ${high}`);
	let [a, b] = [low, high];
	for (let i = 0; i < 200; i++) {
		const middle = (a + b) / 2;
		if (middle === a || middle === b) break;
		if (f(middle) > 0 === atLow > 0) a = middle;
		else b = middle;
	}
	return (a + b) / 2;
}
