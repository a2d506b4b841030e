import { learnedPriors, weighReading, type DoubtfulReading } from '$lib/core/plausibility';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import type { Doubt, WaterEstimate } from '$lib/core/trend';
import { adoptedMethods } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { keptAsEntered, slipCounts } from '../../repository/slip.ts';
import { readingsOfRuns, type LoggedReading } from '../../repository/test.ts';
import type { Deps } from '../deps.ts';
import { knownReaders } from '../practice/known-readers.ts';
import { knownKit, partsOfRuns } from './run-kit.ts';

interface Found extends Doubt {
	readonly parameter: ParameterId;
}

function explained(
	{ parameter, expected, sd, ...doubt }: Found,
	logged: LoggedReading,
	known: NonNullable<Parameters<typeof weighReading>[3]>,
	report: Deps['report']
): DoubtfulReading | null {
	const result = logged.results.find((r) => r.parameter === parameter);
	if (!result) return null;
	const own = result.kind === 'bound' ? 0 : result.uRandom;
	const prediction = { value: expected, uRandom: Math.sqrt(Math.max(0, sd * sd - own * own)), uCommon: 0 };
	/** A reading that no slip can be weighed for is in doubt all the same, and takes no other with it. */
	const weigh = () => {
		try {
			return weighReading(
				logged.derivedBy.method,
				logged.reading,
				(p) => (p === parameter ? prediction : null),
				known
			);
		} catch (fault) {
			if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
			report?.(fault, `weighing reading ${logged.readingId}`);
			return null;
		}
	};
	const weighed = weigh();
	return {
		readingId: logged.readingId,
		runId: logged.runId,
		at: logged.at,
		parameter,
		result,
		expected,
		sd,
		wrong: doubt.wrong,
		changed: doubt.changed,
		settled: doubt.settled,
		slips: (weighed?.ask ?? []).map((slip) => ({
			kind: slip.kind,
			reading: slip.reading,
			otherMethod: slip.method.code === logged.derivedBy.method.code ? null : slip.method.name,
			result: slip.result,
			probability: slip.probability
		}))
	};
}

/**
 * Readings of a water that do not fit, with the slips that would explain them; newest first. Those that somebody said
 * to stand as entered are left out.
 */
export async function findDoubts(
	deps: Deps,
	scope: SiteScope,
	estimate: WaterEstimate,
	since: Instant
): Promise<readonly DoubtfulReading[]> {
	const found = PARAMETER_IDS.flatMap((parameter): Found[] =>
		(estimate.of(parameter)?.doubts ?? [])
			// One that turned out to tell of a change of the water is no longer in doubt.
			.filter((d) => d.at >= since && (!d.settled || d.wrong > 0.5))
			.map((d) => ({ ...d, parameter }))
	);
	if (found.length === 0) return [];
	const runIds = [...new Set(found.map((d) => d.id))];
	const [kept, readings, methods, counts, partsOf, readerOf] = await Promise.all([
		keptAsEntered(deps.db, scope, runIds),
		readingsOfRuns(deps.db, scope, runIds),
		adoptedMethods(deps.db, scope),
		slipCounts(deps.db, scope),
		partsOfRuns(deps.db, scope, runIds),
		knownReaders(deps.db, scope)
	]);
	const priors = learnedPriors(counts.confirmed, counts.readings);
	const others = methods.map((m) => m.method);
	return found
		.flatMap((doubt) => {
			const logged = kept.has(doubt.id) ? undefined : readings.find((r) => r.runId === doubt.id);
			if (!logged) return [];
			const { method } = logged.derivedBy;
			const reader = readerOf({ readerId: logged.readerId, method, at: logged.at });
			const kit = knownKit(method, partsOf(logged.runId), logged.at, reader);
			return explained(doubt, logged, { others, priors, kit }, deps.report) ?? [];
		})
		.sort((a, b) => b.at - a.at);
}
