import type { Band } from '../judgement/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';

/** A band with where it comes from and since when it holds. */
export interface SourcedBand extends Band {
	readonly source: string;
	readonly fromAt: Instant;
}

/** What is wanted of a parameter from a time on, and who says so. */
export interface DatedBand extends SourcedBand {
	readonly parameter: ParameterId;
}

/**
 * The band in force at a time; null when none was set, or when it was taken away.
 *
 * @param targets the newest first
 */
export function bandAt(targets: readonly DatedBand[], parameter: ParameterId, at: Instant): DatedBand | null {
	const current = targets.find((t) => t.parameter === parameter && t.fromAt <= at);
	return current && (current.low !== null || current.high !== null) ? current : null;
}

/** The band alone, without where it comes from. */
export function plainBand(band: Band | null): Band | null {
	return band && { low: band.low, high: band.high, aim: band.aim };
}
