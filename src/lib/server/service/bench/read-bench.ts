import type { BenchContext, BenchOfSite, BenchOfWater, KnownBefore } from '$lib/contract/bench';
import type { ShelfHabits } from '$lib/contract/shelf-view';
import { parametersOf } from '$lib/core/method';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { pointOf } from '$lib/core/reading';
import { bandAt, lightsAt, plainBand, type DatedResult } from '$lib/core/record';
import { addDays } from '$lib/core/time';
import { adoptedMethods, takesShipped } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { slipCounts } from '../../repository/slip.ts';
import { practisedBy } from '../../repository/test.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { benchShelf } from './bench-shelf.ts';

/** What needs a value of another test takes none that is older. */
const LOOK_BACK_DAYS = 60;

/** One reading alone says nothing about the rate, so nothing is expected from it. */
const LEAST_FOR_EXPECTATION = 2;

function lastKnown(results: readonly DatedResult[], parameter: ParameterId): KnownBefore | null {
	for (let i = results.length - 1; i >= 0; i--) {
		const { result, runId, at } = results[i]!;
		const point = result.parameter === parameter ? pointOf(result) : null;
		if (point) {
			const { value, uRandom, uCommon } = point;
			return { runId, at, value, uRandom, uCommon };
		}
	}
	return null;
}

/** What the bench needs to know of a water before a test. */
export async function readBench(deps: Deps, scope: SiteScope, water: Water): Promise<BenchOfWater> {
	const [judged, methods, takes] = await Promise.all([
		judgedWater(deps, scope, water),
		adoptedMethods(deps.db, scope),
		takesShipped(deps.db, scope)
	]);
	const { now, results, targets, cadence } = judged;
	const { of: estimateOf } = judged.estimates;
	const lately = addDays(now, -LOOK_BACK_DAYS);
	const contextOf = (parameter: ParameterId): BenchContext => {
		const estimate = estimateOf(parameter);
		const enough = estimate !== null && estimate.basedOn >= LEAST_FOR_EXPECTATION;
		return {
			band: plainBand(bandAt(targets, parameter, now)),
			expected: enough ? estimate.at(now) : null
		};
	};
	const lastAt = (parameter: ParameterId) =>
		results.findLast((r) => r.result.parameter === parameter)?.at ?? null;
	const offers = methods
		.filter(({ method }) => method.kind !== 'stated')
		.map(({ method, own }) => ({
			method,
			own,
			common: !own && takes === 'chosen',
			contexts: Object.fromEntries(parametersOf(method).map((p) => [p, contextOf(p)])),
			lastAt: lastAt(method.parameter),
			lastUsedAt: results.findLast((r) => r.methodCode === method.code)?.at ?? null
		}));
	return {
		waterName: water.name,
		leftOut: judged.leftOut,
		due: judged.due,
		cadence,
		offers,
		lights: lightsAt(water.lights, now),
		usual: cadence.usual,
		before: Object.fromEntries(
			PARAMETER_IDS.flatMap((p) => {
				const known = lastKnown(
					results.filter((r) => r.at >= lately),
					p
				);
				return known ? [[p, known]] : [];
			})
		)
	};
}

/**
 * What it needs to know of the site, whichever water is tested. It is asked apart: a test of any water changes it, and
 * what is known of the one at hand stands all the same.
 */
export async function readBenchSite(
	deps: Deps,
	scope: SiteScope,
	_water: Water,
	habits: ShelfHabits
): Promise<BenchOfSite> {
	const [slips, shelf, practised] = await Promise.all([
		slipCounts(deps.db, scope),
		benchShelf(deps, scope, habits),
		practisedBy(deps.db, scope)
	]);
	return {
		...shelf,
		practised: [...practised],
		slips
	};
}
