/** The usual slips of the hand, the eye and the pen. */
export const SLIP_KINDS = [
	'left-for-used',
	'decimal-point',
	'liquid-line',
	'upside-down',
	'portion',
	'one-drop',
	'unit',
	'table',
	'dilution'
] as const;
export type SlipKind = (typeof SLIP_KINDS)[number];

/** Share of readings with each slip, before anything is known of who reads. */
export type SlipPriors = Readonly<Record<SlipKind, number>>;

/** Three readings in a hundred carry a slip (convention, not measured); how they share in it is one as well. */
export const USUAL_PRIORS: SlipPriors = {
	'left-for-used': 0.007,
	'decimal-point': 0.006,
	'liquid-line': 0.003,
	'upside-down': 0.002,
	portion: 0.003,
	'one-drop': 0.003,
	unit: 0.003,
	table: 0.002,
	dilution: 0.003
};

/** How often slips were found out, among how many readings; drills count for less than one each. */
export interface SlipCounts {
	readonly confirmed: Readonly<Partial<Record<SlipKind, number>>>;
	readonly readings: number;
}

/** The convention weighs as much as so many readings of one's own. */
const CONVENTION_WEIGHS = 300;

/**
 * Priors that have learned from the slips which a site has confirmed: a Dirichlet prior at the conventional shares.
 *
 * @param confirmed how often each slip was confirmed here
 * @param readings how many readings were made here in all
 */
export function learnedPriors(
	confirmed: Readonly<Partial<Record<SlipKind, number>>>,
	readings: number
): SlipPriors {
	const share = (kind: SlipKind) =>
		(USUAL_PRIORS[kind] * CONVENTION_WEIGHS + (confirmed[kind] ?? 0)) /
		(CONVENTION_WEIGHS + Math.max(readings, 0));
	return Object.fromEntries(SLIP_KINDS.map((kind) => [kind, share(kind)])) as Record<SlipKind, number>;
}
