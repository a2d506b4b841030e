import type { LeftOut } from '$lib/core/judgement/water';
import { unsoundness } from '$lib/core/reading';
import type { DatedResult } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import { resultsSince } from '../../repository/result.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';

export interface SoundResults {
	readonly results: readonly DatedResult[];
	/** What an earlier version stored that no water can hold: it stays, and nothing is reckoned from it. */
	readonly leftOut: readonly LeftOut[];
}

/** Current results of a water since a time, apart from what cannot be reckoned with. */
export async function soundResultsSince(
	deps: Deps,
	scope: SiteScope,
	waterId: string,
	since: Instant
): Promise<SoundResults> {
	const all = await resultsSince(deps.db, scope, waterId, since);
	const leftOut: LeftOut[] = [];
	const results = all.filter(({ readingId, runId, at, result }) => {
		const why = unsoundness(result);
		if (why) leftOut.push({ kind: 'reading', readingId, runId, at, result, why });
		return why === null;
	});
	return { results, leftOut };
}
