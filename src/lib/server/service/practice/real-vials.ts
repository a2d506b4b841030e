import { titrationsOf, type Method } from '$lib/core/method';
import {
	NO_REAL_VIALS,
	realVialsOf,
	worthOfStep,
	type BlindReading,
	type RealVials
} from '$lib/core/practice';
import { incrementOf, pointOf, type RawReading } from '$lib/core/reading';
import type { Reader } from '../../repository/database.ts';
import { versionsOf } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { shelfItemsByIds } from '../../repository/shelf.ts';
import { readingsByMethod } from '../../repository/test.ts';
import { deriveByKit, partsOfRuns } from '../reading/run-kit.ts';

const isBlind = (reading: RawReading) => reading.blind === true;

/** Steps that went in after the end of a titration was first called and watched again; null where it was not. */
function stepsAfter(reading: RawReading, which: 0 | 1, increment: number): number | null {
	const marks =
		reading.form === 'pair'
			? reading[which === 0 ? 'first' : 'second']
			: 'addedAfter' in reading
				? reading
				: null;
	return marks?.addedAfter === undefined ? null : marks.addedAfter / increment;
}

/** Nothing is known of the others' eyes but what a kit takes for granted, with a bias that may be as large as a drop. */
const OTHER = { bias: 0, uBias: 1, spread: 1 };

/**
 * What blind readings of a method told of one reader at each of its end points. They are derived without what is used of
 * anybody, so that a bias is not measured against itself.
 */
export async function realVials(
	db: Reader,
	scope: SiteScope,
	method: Method,
	memberId: string
): Promise<ReadonlyMap<0 | 1, RealVials>> {
	const titrations = titrationsOf(method);
	if (titrations.length === 0) return new Map();
	const versions = await versionsOf(db, scope, method.code);
	const all = await readingsByMethod(
		db,
		scope,
		versions.map((v) => v.siteMethodId)
	);
	const blind = all.filter((r) => isBlind(r.reading));
	if (blind.length === 0) return new Map();
	const partsOf = await partsOfRuns(
		db,
		scope,
		blind.map((r) => r.runId)
	);
	const standards = await shelfItemsByIds(db, scope, [...new Set(blind.flatMap((r) => r.standardId ?? []))]);
	return new Map(
		titrations.map((titration, i) => {
			const which = i === 0 ? 0 : 1;
			const stepWorth = worthOfStep(method, titration);
			if (stepWorth === null) return [which, NO_REAL_VIALS];
			const readings = blind.flatMap((r): BlindReading[] => {
				const parts = partsOf(r.runId);
				const at = r.standardId === null ? r.at : null;
				const derived = deriveByKit(r.method, r.reading, parts, at, r.deviations, undefined);
				const outcome = derived.ok
					? derived.value.outcomes.find((o) => o.result.parameter === titration.parameter)
					: undefined;
				const point = outcome && outcome.result.kind === 'value' ? pointOf(outcome.result) : null;
				if (!point) return [];
				const content = standards
					.find((s) => s.id === r.standardId)
					?.details.contents.find((c) => c.parameter === titration.parameter);
				return [
					{
						sampleId: r.sampleId,
						readerId: r.readerId,
						madeWith: parts
							.map((p) => p.id)
							.sort()
							.join(),
						value: point.value,
						uCommon: point.uCommon,
						standard:
							content && r.standardId ? { id: r.standardId, value: content.value, u: content.u } : null,
						addedAfter: stepsAfter(r.reading, which, incrementOf(titration))
					}
				];
			});
			return [which, realVialsOf(readings, memberId, stepWorth, () => OTHER)];
		})
	);
}
