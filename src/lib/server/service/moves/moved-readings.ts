import type { ResultMove } from '$lib/contract/shelf-view';
import { judge } from '$lib/core/judgement';
import { isSameResult, pointOf, type TestResult } from '$lib/core/reading';
import { bandAt, plainBand, type DatedBand } from '$lib/core/record';
import type { Result } from '$lib/core/result';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import type { Reader } from '../../repository/database.ts';
import { setCurrentResults } from '../../repository/result.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { LoggedReading } from '../../repository/test.ts';
import { targetsOf } from '../../repository/water.ts';
import type { Within } from '../deps.ts';
import { newResults } from '../reading/new-results.ts';
import type { KitDerivation } from '../reading/run-kit.ts';

/** A reading that comes out otherwise by what is known now, or is supposed to be. */
export interface MovedReading {
	readonly reading: LoggedReading;
	readonly derivation: KitDerivation;
	readonly moves: readonly ResultMove[];
}

function gradeOf(result: TestResult, targets: readonly DatedBand[], at: LoggedReading['at']) {
	const band = plainBand(bandAt(targets, result.parameter, at));
	const point = pointOf(result);
	if (!point || !band) return { grade: null, side: null };
	const { grade, side } = judge(point.value, standardUncertaintyOf(point), band, null);
	return { grade, side };
}

/**
 * Which readings of waters would come out otherwise, and how; newest first. What cannot be derived stays as it is.
 *
 * @param derive by what is known, or supposed, of kit and reader
 */
export async function movedReadings(
	db: Reader,
	scope: SiteScope,
	readings: readonly LoggedReading[],
	derive: (reading: LoggedReading) => Result<KitDerivation>
): Promise<readonly MovedReading[]> {
	const targets = new Map<string, readonly DatedBand[]>();
	for (const waterId of new Set(readings.flatMap((r) => r.waterId ?? []))) {
		targets.set(waterId, await targetsOf(db, scope, waterId));
	}
	const moved = readings.flatMap((reading): MovedReading[] => {
		const { waterId, readingId, water, at } = reading;
		const derived = derive(reading);
		if (!derived.ok || waterId === null) return [];
		const bands = targets.get(waterId) ?? [];
		const moves = derived.value.outcomes.flatMap(({ result }): ResultMove[] => {
			const before = reading.results.find((r) => r.parameter === result.parameter);
			if (!before || isSameResult(before, result)) return [];
			return [
				{
					...{ readingId, waterId, water, at, parameter: result.parameter, before, after: result },
					gradeBefore: gradeOf(before, bands, at),
					gradeAfter: gradeOf(result, bands, at)
				}
			];
		});
		return moves.length > 0 ? [{ reading, derivation: derived.value, moves }] : [];
	});
	return moved.sort((a, b) => b.reading.at - a.reading.at);
}

/** Makes them so: old results stay, no longer current, and nothing raw changes. */
export async function moveThem(
	within: Within,
	scope: SiteScope,
	moved: readonly MovedReading[]
): Promise<number> {
	for (const { reading, derivation } of moved) {
		const of = { id: reading.runId, readingId: reading.readingId };
		const { method, siteMethodId } = reading.derivedBy;
		const results = newResults(within, of, method, derivation, siteMethodId);
		await setCurrentResults(within.db, scope, reading.runId, results);
	}
	return moved.length;
}
