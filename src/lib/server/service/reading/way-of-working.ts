import { progressOf } from '$lib/core/bench';
import { stepsFor, type Method } from '$lib/core/method';
import type { RawReading } from '$lib/core/reading';
import type { SiteScope } from '../../repository/scope.ts';
import { stepLogOf } from '../../repository/test.ts';
import type { Deps } from '../deps.ts';

/** How many steps of a test were done by heart: a way of working, told beside the reading and no deviation. */
export async function stepsByHeart(
	deps: Deps,
	scope: SiteScope,
	{
		runId,
		method,
		reading
	}: { readonly runId: string; readonly method: Method; readonly reading: Pick<RawReading, 'portion'> }
): Promise<number> {
	const log = await stepLogOf(deps.db, scope, runId);
	return log ? progressOf(stepsFor(method, reading.portion), log).byHeart.length : 0;
}
