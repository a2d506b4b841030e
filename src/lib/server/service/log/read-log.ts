import type { ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { eventLog, type LoggedEvent } from '../../repository/event.ts';
import { photographsOfRuns } from '../../repository/photograph.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { readingLog, type LoggedReading } from '../../repository/test.ts';
import type { Deps } from '../deps.ts';

/** `parameter` narrows to readings of it; 'events' to all that is no reading. */
export interface LogFilter {
	readonly waterId: string | null;
	readonly what: ParameterId | 'events' | null;
	readonly before: Instant | null;
}

export type LogEntry =
	| ({ readonly type: 'reading'; readonly photographs: readonly string[] } & LoggedReading)
	| ({ readonly type: 'event'; readonly at: Instant } & LoggedEvent);

export interface LogPage {
	readonly entries: readonly LogEntry[];
	/** Give this as `before` to get the page after this one; null on the last. */
	readonly older: Instant | null;
}

const PAGE = 60;

async function entriesOf(deps: Deps, scope: SiteScope, filter: LogFilter, most: number): Promise<LogEntry[]> {
	const { waterId, what, before } = filter;
	const [readings, events] = await Promise.all([
		what === 'events' ? [] : readingLog(deps.db, scope, { waterId, parameter: what, before, most }),
		what === null || what === 'events' ? eventLog(deps.db, scope, { waterId, before, most }) : []
	]);
	const photographs = await photographsOfRuns(
		deps.db,
		scope,
		readings.map((r) => r.runId)
	);
	const entries: LogEntry[] = [
		...readings.map((r) => ({ type: 'reading' as const, photographs: photographs.get(r.runId) ?? [], ...r })),
		...events.map((e) => ({ type: 'event' as const, at: e.happenedAt, ...e }))
	];
	return entries.sort((a, b) => b.at - a.at);
}

/** Everything entered, newest first, a page at a time. Entries of one instant are never parted. */
export async function readLog(
	deps: Deps,
	scope: SiteScope,
	filter: LogFilter,
	size: number = PAGE
): Promise<LogPage> {
	const found = await entriesOf(deps, scope, filter, size + 1);
	if (found.length <= size) return { entries: found, older: null };
	const last = found[size - 1]!.at;
	let end = size;
	while (end < found.length && found[end]!.at === last) end++;
	return { entries: found.slice(0, end), older: last };
}

/** The last events of a water that still stand, newest first. */
export async function readRecentEvents(
	deps: Deps,
	scope: SiteScope,
	waterId: string,
	most: number
): Promise<LoggedEvent[]> {
	const events = await eventLog(deps.db, scope, { waterId, before: null, most: 2 * most });
	return events.filter((e) => !e.superseded).slice(0, most);
}
