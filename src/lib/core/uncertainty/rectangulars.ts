/**
 * 95 % half-width of the sum of two rectangular errors: a + b − √(0.2·ab) while both matter; once the narrower one is
 * so narrow that this falls below a − b, the wider one alone decides and it is 0.95·a.
 *
 * @param halfWidths of the two, 0 or more
 * @see JCGM 101:2008, 9.2 (sum of rectangular distributions); the trapezium's area above U is (a + b − U)²/(4ab)
 * @example sumOfTwoRectangulars(0.5, 0.5) // 0.7763932
 */
export function sumOfTwoRectangulars(first: number, second: number): number {
	const a = Math.max(first, second);
	const b = Math.min(first, second);
	const inTail = a + b - Math.sqrt(0.2 * a * b);
	return inTail >= a - b ? inTail : 0.95 * a;
}
