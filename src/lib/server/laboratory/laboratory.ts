import type { ParameterId } from '$lib/core/quantity';

/** A bottle as a laboratory gets it: what it is to be tested for, and a name to answer under. */
export interface Bottle {
	readonly id: string;
	readonly parameters: readonly ParameterId[];
}

/** One value of a report, canonical unit. */
export interface ReportLine {
	readonly parameter: ParameterId;
	readonly value: number;
	/** k = 2. */
	readonly expandedU: number;
}

/** Somebody who tests better than a kit, some days later. */
export interface Laboratory {
	readonly name: string;
	/** Days from sending a bottle until its answer. */
	answersAfterDays(bottle: Bottle): number;
	/**
	 * @param holds what the water in the bottle holds, canonical units; what is not known cannot be answered
	 */
	report(bottle: Bottle, holds: Readonly<Partial<Record<ParameterId, number>>>): readonly ReportLine[];
}
