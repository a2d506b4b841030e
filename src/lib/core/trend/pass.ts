import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';
import { layOut, type Layout } from './layout.ts';
import { filterLinear, LinearAdjoint, type LinearTrack } from './linear-gaussian/index.ts';
import type { Treated } from './treat.ts';

/** What filter and smoother know of parameters that are estimated together; tells any moment. */
export interface Pass {
	readonly layout: Layout;
	readonly track: LinearTrack;
	readonly adjoint: LinearAdjoint;
}

/** @param sumFrom when the sums of what is used begin */
export function passOver(group: readonly Treated[], sumFrom: Instant): Pass {
	const layout = layOut(group, sumFrom);
	const track = filterLinear(layout.model, layout.items);
	return { layout, track, adjoint: new LinearAdjoint(track) };
}

interface Kept {
	readonly group: readonly Treated[];
	readonly sumFrom: Instant;
	readonly pass: Pass;
}

/**
 * The last pass over each group of a water's parameters. It holds for the very same treated histories and the same begin
 * of sums; for others it is made anew and kept instead.
 */
export class KeptPasses {
	readonly #kept = new Map<ParameterId, Kept>();

	of(group: readonly Treated[], sumFrom: Instant): Pass {
		const { parameter } = group[0]!.prepared;
		const known = this.#kept.get(parameter);
		const isSame = known?.group.length === group.length && group.every((t, i) => known.group[i] === t);
		if (known && isSame && known.sumFrom === sumFrom) return known.pass;
		const pass = passOver(group, sumFrom);
		this.#kept.set(parameter, { group, sumFrom, pass });
		return pass;
	}
}
