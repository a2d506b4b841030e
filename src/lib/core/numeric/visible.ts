/** First index whose time is not before; the list's length when all are. */
export function firstFrom(times: readonly number[], from: number): number {
	let [low, high] = [0, times.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (times[middle]! < from) low = middle + 1;
		else high = middle;
	}
	return low;
}

/**
 * Which of many points to draw in a span: all of them while there is room, else of every column of pixels the first,
 * the last, the lowest and the highest, so that no extreme is ever hidden.
 *
 * @param times in rising order
 * @param columns of pixels that the span has
 */
export function visibleIndices(
	times: readonly number[],
	values: readonly number[],
	{ from, to }: { readonly from: number; readonly to: number },
	columns: number
): number[] {
	const start = firstFrom(times, from);
	const end = firstFrom(times, to + 1);
	const all = Array.from({ length: end - start }, (_, i) => start + i);
	if (all.length <= 2 * columns || !(to > from)) return all;
	const kept: number[] = [];
	const columnOf = (i: number) => Math.floor(((times[i]! - from) / (to - from)) * columns);
	for (let i = start; i < end;) {
		const column = columnOf(i);
		let [low, high, last] = [i, i, i];
		for (; last + 1 < end && columnOf(last + 1) === column; last++) {
			if (values[last + 1]! < values[low]!) low = last + 1;
			if (values[last + 1]! > values[high]!) high = last + 1;
		}
		kept.push(...[...new Set([i, low, high, last])].sort((a, b) => a - b));
		i = last + 1;
	}
	return kept;
}

/** The nearest time's index, or −1 in an empty list. */
export function nearestIndex(times: readonly number[], at: number): number {
	if (times.length === 0) return -1;
	const i = firstFrom(times, at);
	if (i === 0) return 0;
	if (i === times.length) return i - 1;
	return at - times[i - 1]! <= times[i]! - at ? i - 1 : i;
}
