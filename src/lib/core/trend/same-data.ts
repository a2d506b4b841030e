/** Whether two pieces of plain data say the same, number by number, to the last digit. */
export function sameData(a: unknown, b: unknown): boolean {
	if (Object.is(a, b)) return true;
	if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
	if (Array.isArray(a)) {
		return Array.isArray(b) && a.length === b.length && a.every((one, i) => sameData(one, b[i]));
	}
	const other = b as Record<string, unknown>;
	let fields = 0;
	// Thousands of readings are compared: no list of their fields is made for each.
	for (const key in a) {
		fields++;
		if (!(key in other) || !sameData((a as Record<string, unknown>)[key], other[key])) return false;
	}
	for (const _ in other) fields--;
	return fields === 0 && !Array.isArray(b);
}
