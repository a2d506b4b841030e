import type { ParameterId } from '../../quantity/index.ts';
import type { TestResult } from '../../reading/index.ts';
import type { Instant } from '../../time/index.ts';

export interface DatedReading {
	readonly at: Instant;
	readonly result: TestResult;
}

/** The readings of each parameter in the order of time, none later than some time. */
export type ReadingsOf = (parameter: ParameterId) => readonly DatedReading[];

/** How many of the readings were made up to a time, by halving. */
function countUntil(readings: readonly DatedReading[], at: Instant): number {
	let [low, high] = [0, readings.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (readings[middle]!.at <= at) low = middle + 1;
		else high = middle;
	}
	return low;
}

/**
 * Readings grouped once by their parameter, to be asked for as they stood at any time: what is judged day by day over
 * ten years never goes through all of them again.
 */
export class ReadingsInTime {
	readonly #of = new Map<ParameterId, DatedReading[]>();

	/** @param readings in the order of time */
	constructor(readings: readonly DatedReading[]) {
		for (const reading of readings) {
			const known = this.#of.get(reading.result.parameter);
			if (known) known.push(reading);
			else this.#of.set(reading.result.parameter, [reading]);
		}
	}
	until(at: Instant): ReadingsOf {
		const asked = new Map<ParameterId, readonly DatedReading[]>();
		return (parameter) => {
			const known = asked.get(parameter);
			if (known) return known;
			const all = this.#of.get(parameter) ?? [];
			const count = countUntil(all, at);
			const then = count === all.length ? all : all.slice(0, count);
			asked.set(parameter, then);
			return then;
		};
	}
}
