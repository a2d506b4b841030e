import type { BenchAnswer, BenchContext, KnownBefore } from '$lib/contract/bench';
import type { ShelfHabits } from '$lib/contract/shelf-view';
import { byLongestInterval, type CadenceInput } from '$lib/core/judgement';
import { parametersOf } from '$lib/core/method';
import { learnedPriors } from '$lib/core/plausibility';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { pointOf } from '$lib/core/reading';
import { addDays } from '$lib/core/time';
import { eventsSince } from '../repository/event.ts';
import { adoptedMethods } from '../repository/method.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince, type DatedResult } from '../repository/result.ts';
import { slipCounts } from '../repository/slip.ts';
import { lastUseOf, practisedBy } from '../repository/test.ts';
import { targetsOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { benchShelf } from './bench-shelf.ts';
import { readSessions } from './save-session.ts';
import { bandAt, ESTIMATE_LOOK_BACK_DAYS, waterEstimate, plainBand } from './water-history.ts';

/** What needs a value of another test takes none that is older. */
const LOOK_BACK_DAYS = 60;

/** A reading in doubt asks for a repeat for so long. */
const DOUBT_DAYS = 7;

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

/** Everything the bench needs to know of a water before a test. */
export async function readBench(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	habits: ShelfHabits
): Promise<BenchAnswer> {
	const now = deps.clock.now();
	const since = addDays(now, -ESTIMATE_LOOK_BACK_DAYS);
	const lately = addDays(now, -LOOK_BACK_DAYS);
	const [methods, results, events, targets, lastUse, slips, shelf, practised, sessions] = await Promise.all([
		adoptedMethods(deps.db, scope),
		resultsSince(deps.db, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id),
		lastUseOf(deps.db, scope, water.id),
		slipCounts(deps.db, scope),
		benchShelf(deps, scope, habits),
		practisedBy(deps.db, scope),
		readSessions(deps, scope)
	]);
	const { of: estimateOf } = waterEstimate(results, events, water.netVolumeL, now);
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
			practised: practised.has(method.code),
			contexts: Object.fromEntries(parametersOf(method).map((p) => [p, contextOf(p)])),
			lastAt: lastAt(method.parameter),
			lastUsedAt: lastUse.get(method.code) ?? null
		}));
	const used = new Set(offers.filter((o) => o.lastUsedAt !== null).map((o) => o.method.parameter));
	const usual = PARAMETER_IDS.filter((p) => used.has(p) || bandAt(targets, p, now) !== null);
	const medium = events.findLast((e) => e.kind === 'medium-in' || e.kind === 'medium-out');
	const cadence: CadenceInput = {
		now,
		profile: water.profile,
		usual,
		lastAt: Object.fromEntries(
			usual.flatMap((p) => {
				const at = lastAt(p);
				return at === null ? [] : [[p, at]];
			})
		),
		firstAt: results[0]?.at ?? null,
		mediumRuns: medium?.kind === 'medium-in',
		doubtful: usual.filter((p) =>
			estimateOf(p)?.doubts.some((d) => !d.settled && d.at >= addDays(now, -DOUBT_DAYS))
		)
	};
	return {
		waterName: water.name,
		due: byLongestInterval(cadence),
		cadence,
		sessions,
		offers,
		usual,
		...shelf,
		slipPriors: learnedPriors(slips.confirmed, slips.readings),
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
