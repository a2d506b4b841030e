import { offeredFor, TUNED, type Supplement, type Tuned } from '$lib/core/correction';
import type { NamedSupplement } from '$lib/core/judgement/plan';

/** What is at hand to raise something day by day. */
export interface Supply {
	readonly id: string;
	readonly name: string;
	readonly what: Supplement;
}
export type Supplies = Readonly<Record<Tuned, readonly Supply[]>>;

/** What a daily dose may be made of; what has only a table, and limewater, which has a way of its own, are none. */
export function suppliesOf(supplements: readonly NamedSupplement[]): Supplies {
	const raising = (parameter: Tuned) =>
		supplements.flatMap(({ id, name, what }): Supply[] =>
			what.kind === 'table' || id === 'limewater' || !offeredFor(what).includes(parameter)
				? []
				: [{ id, name, what }]
		);
	return Object.fromEntries(TUNED.map((p) => [p, raising(p)])) as unknown as Supplies;
}
