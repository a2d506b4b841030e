/** Something that a water asks for. */
export interface Matter {
	/** Harm to animals is possible: it is never folded away. */
	readonly danger: boolean;
	/** Larger is worse. */
	readonly weight: number;
}

/** Above whatever else a water may ask for. */
export const DANGER_WEIGHT = 1000;

/** A screen full of alarms is read by nobody. */
const MOST = 3;

/**
 * What a water asks for, the worst first: at most three things, but every danger to animals.
 *
 * @returns those to show, and those that stand folded below
 */
export function pressing<T extends Matter>(
	matters: readonly T[]
): { readonly shown: readonly T[]; readonly folded: readonly T[] } {
	const sorted = [...matters].sort((a, b) => Number(b.danger) - Number(a.danger) || b.weight - a.weight);
	const shown = sorted.filter((m, i) => m.danger || i < MOST);
	return { shown, folded: sorted.filter((m) => !shown.includes(m)) };
}

/** How a water stands beside others: by its dangers, then by the worst of the rest. */
export function worstOf(matters: readonly Matter[]): number {
	return matters.reduce((worst, m) => Math.max(worst, m.weight + (m.danger ? DANGER_WEIGHT : 0)), 0);
}
