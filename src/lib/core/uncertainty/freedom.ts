import { studentQuantile } from '../numeric/index.ts';
import { combine } from './budget.ts';

export interface EffectiveFreedom {
	readonly u: number;
	/** Infinity where every component is known for sure. */
	readonly degrees: number;
	/** Coverage factor for 95 %: Student's t for the whole degrees, rounded down. */
	readonly k95: number;
}

/**
 * Effective degrees of freedom by Welch and Satterthwaite: ν = u⁴/Σ(u_i⁴/ν_i).
 *
 * @param components with their own degrees of freedom; Infinity for those not found by repeating
 * @see JCGM 100:2008, G.4.1
 * @example effectiveFreedom([{ u: 0.12, degrees: 3 }, { u: 0.08, degrees: Infinity }]).degrees // 6.259
 */
export function effectiveFreedom(
	components: readonly { readonly u: number; readonly degrees: number }[]
): EffectiveFreedom {
	const u = combine(components);
	const sum = components.reduce((total, c) => total + c.u ** 4 / c.degrees, 0);
	const degrees = sum > 0 ? u ** 4 / sum : Infinity;
	return { u, degrees, k95: studentQuantile(0.975, Math.max(1, Math.floor(degrees))) };
}
