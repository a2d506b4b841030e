import type { Band } from '$lib/core/judgement';
import type { SyringeMethod } from '$lib/core/method';
import { addDays, type Instant } from '$lib/core/time';
import { robustLine, type Prediction, type RatePerDay } from '$lib/core/trend';
import { eventsSince } from '../repository/event.ts';
import { adoptedMethods } from '../repository/method.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/test.ts';
import { targetsOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { bandAt, historyOf, plainBand } from './water-history.ts';

const LOOK_BACK_DAYS = 60;

/** A method ready for the bench, with what its result will be held against. */
export interface BenchMethod {
	readonly method: SyringeMethod;
	readonly band: Band | null;
	/** What the water is expected to hold now; null before the second reading. */
	readonly expected: Prediction | null;
	readonly basedOn: number;
	readonly netChangePerDay: RatePerDay | null;
	readonly lastAt: Instant | null;
}

/** One reading alone says nothing about the rate, so nothing is expected from it. */
const LEAST_FOR_EXPECTATION = 2;

export async function readBench(deps: Deps, scope: SiteScope, water: Water): Promise<readonly BenchMethod[]> {
	const now = deps.clock.now();
	const since = addDays(now, -LOOK_BACK_DAYS);
	const [methods, results, events, targets] = await Promise.all([
		adoptedMethods(deps.db, scope),
		resultsSince(deps.db, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id)
	]);
	return methods.map(({ method }) => {
		const estimate = robustLine(historyOf(method.parameter, results, events, water.netVolumeL, now), now);
		const enough = estimate !== null && estimate.basedOn >= LEAST_FOR_EXPECTATION;
		return {
			method,
			band: plainBand(bandAt(targets, method.parameter, now)),
			expected: enough ? estimate.at(now) : null,
			basedOn: estimate?.basedOn ?? 0,
			netChangePerDay: enough ? estimate.netChangePerDay : null,
			lastAt: estimate?.to ?? null
		};
	});
}
