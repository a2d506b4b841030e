import type { ParameterId } from '../../quantity/index.ts';

/** How one person reads, in the steps of what is read: tip drops, drops, divisions. */
export interface OwnEye {
	/** How far too late, or too high, on average; taken off every reading. */
	readonly bias: number;
	/** Standard uncertainty of the bias: common to all that this person reads. */
	readonly uBias: number;
	/** Standard uncertainty of one answer: changes from reading to reading. */
	readonly spread: number;
}

/** What is known of whoever reads by one method, as plain data. */
export interface KnownReader {
	/** Of the end point that tells a parameter. */
	readonly endPoints: Readonly<Partial<Record<ParameterId, OwnEye>>>;
	/** Of the scale that is read; null where it was not tried. */
	readonly scale: OwnEye | null;
	/** Lower places of neighbouring colour steps that this person takes for each other. */
	readonly mixedUp: readonly number[];
}

/** What an eye's look leaves open beyond the half division to which it is read, divisions. */
export const beyondRounding = ({ spread }: OwnEye): number =>
	Math.sqrt(Math.max(0, spread * spread - 1 / 12));

/** Nobody was tried: what the kit takes for granted holds. */
export const ANYBODY: KnownReader = { endPoints: {}, scale: null, mixedUp: [] };
