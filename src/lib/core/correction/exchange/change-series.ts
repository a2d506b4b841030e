import { afterWaterChange } from '../../balance/index.ts';
import type { Limited } from '../../caution/index.ts';
import { atMost } from '../../numeric/index.ts';
import type { ParameterId } from '../../quantity/index.ts';

/** Levels of a water by parameter, canonical units. */
export type LevelsOf = Readonly<Partial<Record<ParameterId, number>>>;

/** What one change does to a parameter, and what a day allows. */
export interface ChangeMove {
	readonly parameter: ParameterId;
	readonly before: number;
	readonly after: number;
	/** Null where none holds. */
	readonly limit: number | null;
	readonly within: boolean;
}

/** What one change does to all that is known of both waters. */
export function movesOfChange(
	tank: LevelsOf,
	fresh: LevelsOf,
	fraction: number,
	limitOf: (parameter: Limited, direction: 'up' | 'down') => number | null
): ChangeMove[] {
	return (Object.keys(tank) as ParameterId[]).flatMap((parameter): ChangeMove[] => {
		const before = tank[parameter];
		const into = fresh[parameter];
		if (before === undefined || into === undefined || parameter === 'ph') return [];
		const after = afterWaterChange(before, into, fraction);
		const direction = after >= before ? 'up' : 'down';
		// Less ammonia or nitrite is never too fast; what a change takes away of nutrients is held to the limit.
		const limit = isLimited(parameter) ? limitOf(parameter, direction) : null;
		return [
			{ parameter, before, after, limit, within: limit === null || atMost(Math.abs(after - before), limit) }
		];
	});
}

const FREE_OF_LIMITS: ReadonlySet<ParameterId> = new Set<ParameterId>(['ammonia', 'nitrite', 'ph']);
function isLimited(parameter: ParameterId): parameter is Limited {
	return !FREE_OF_LIMITS.has(parameter);
}

/**
 * The largest change that keeps every parameter within what a day allows, and the parameter that sets it.
 *
 * @returns fraction 0 to 1
 */
export function largestChange(
	tank: LevelsOf,
	fresh: LevelsOf,
	limitOf: (parameter: Limited, direction: 'up' | 'down') => number | null
): { readonly fraction: number; readonly by: ParameterId | null } {
	let fraction = 1;
	let by: ParameterId | null = null;
	for (const { parameter, before, after, limit } of movesOfChange(tank, fresh, 1, limitOf)) {
		const size = Math.abs(after - before);
		if (limit === null || size === 0) continue;
		if (limit / size < fraction) {
			fraction = limit / size;
			by = parameter;
		}
	}
	return { fraction, by };
}

/** A change takes about so long to be told from the one before: one a day at most. */
export interface SeriesStep {
	readonly number: number;
	readonly levels: LevelsOf;
}

/**
 * Levels after each of several equal changes, with what lives in the water adding its part between.
 *
 * @param betweenOf net change of a parameter from one change to the next
 */
export function seriesOf(
	tank: LevelsOf,
	fresh: LevelsOf,
	{ fraction, count }: { readonly fraction: number; readonly count: number },
	betweenOf: (parameter: ParameterId) => number
): SeriesStep[] {
	const steps: SeriesStep[] = [];
	let levels: LevelsOf = tank;
	for (let number = 1; number <= count; number++) {
		const next: Partial<Record<ParameterId, number>> = {};
		for (const [parameter, level] of Object.entries(levels) as [ParameterId, number][]) {
			const into = fresh[parameter];
			const before = number === 1 ? level : Math.max(0, level + betweenOf(parameter));
			next[parameter] = into === undefined ? before : afterWaterChange(before, into, fraction);
		}
		levels = next;
		steps.push({ number, levels });
	}
	return steps;
}

/** The guided list of a change, in its order; put into words by `format/`. */
export const CHANGE_STEPS = [
	'mixed-and-tested',
	'matched',
	'heater-off',
	'pumps-off',
	'top-up-off',
	'siphon',
	'refill',
	'top-up-on',
	'pumps-on',
	'heater-on',
	'checked'
] as const;
export type ChangeStep = (typeof CHANGE_STEPS)[number];

/** How near new water must be to the tank's before it goes in (conventions). */
export const MATCHED = { temperatureC: 1, salinity: 0.5 } as const;
