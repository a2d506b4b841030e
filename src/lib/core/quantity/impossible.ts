import type { Fault } from '../result/index.ts';
import { isPossible, type Possible } from './possible.ts';

/** Why a number cannot be, in the words that name what can; null where it can. */
export function impossible(possible: Possible, value: number, field: string): Fault | null {
	if (isPossible(possible, value)) return null;
	const { least, most, unit } = possible;
	return { code: 'beyond-scale', field, details: { least, most, unit } };
}

/** The first of several that cannot be. */
export function firstImpossible(
	checks: readonly (readonly [possible: Possible, value: number | null | undefined, field: string])[]
): Fault | null {
	for (const [possible, value, field] of checks) {
		const fault = value === null || value === undefined ? null : impossible(possible, value, field);
		if (fault) return fault;
	}
	return null;
}
