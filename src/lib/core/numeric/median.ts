/** Middle value, or the mean of the two middle ones. @throws {RangeError} on an empty list */
export function median(values: readonly number[]): number {
	if (values.length === 0) throw new RangeError('median of an empty list');
	const sorted = [...values].sort((a, b) => a - b);
	const middle = sorted.length >> 1;
	return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
