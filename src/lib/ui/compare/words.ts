import type { ParameterId, UnitId } from '$lib/core/quantity';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { inUnit } from '$lib/format/quantity';

/** What the two sides are called. */
export interface Names {
	readonly first: string;
	readonly second: string;
}

/** "8.1 ± 0.5", of one side of a pair */
export function readWords(
	parameter: ParameterId,
	{ value, uRandom, uCommon }: { readonly value: number; readonly uRandom: number; readonly uCommon: number },
	unit: UnitId
): string {
	const m = inUnit(parameter, value, standardUncertaintyOf({ uRandom, uCommon }), unit);
	return `${m.value} ± ${m.plusMinus}`;
}
