/** The last readings, all on one side of where the value is wanted. */
export interface RunOfSide {
	readonly side: 'low' | 'high';
	readonly count: number;
	/** Mean distance from the middle, and its standard uncertainty by scatter. */
	readonly distance: number;
	readonly u: number;
}

/** One high reading is none; so many in a row are a signal (husbandry convention; by chance one series in eight). */
const RUN_TO_TELL = 4;

/**
 * The run of last readings on one side of the aim. It is told only when it is long enough and, together, further from
 * the aim than chance alone: that many readings in a row say what none of them says.
 *
 * @param readings in the order of time, each with the part of its standard uncertainty that repeats average down
 * @param middle the aim, or the middle of the band
 * @returns null where the last readings lie on both sides, or too near to the middle to tell
 */
export function runOnOneSide(
	readings: readonly { readonly value: number; readonly uRandom: number }[],
	middle: number
): RunOfSide | null {
	const last = readings.at(-1);
	if (!last || last.value === middle) return null;
	const high = last.value > middle;
	let count = 0;
	let sum = 0;
	let squares = 0;
	for (let i = readings.length - 1; i >= 0; i--) {
		const { value, uRandom } = readings[i]!;
		if (value === middle || value > middle !== high) break;
		count++;
		sum += value - middle;
		squares += uRandom ** 2;
	}
	const distance = sum / count;
	const u = Math.sqrt(squares) / count;
	if (count < RUN_TO_TELL || Math.abs(distance) <= 2 * u) return null;
	return { side: high ? 'high' : 'low', count, distance, u };
}
