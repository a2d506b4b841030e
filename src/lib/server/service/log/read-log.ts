import { isEventKind, type LogKind } from '$lib/contract/log-search';
import { isParameterId, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { EVENT_KINDS } from '$lib/core/record';
import { endOfDay, instantOnDay, type CivilDate, type Instant } from '$lib/core/time';
import { EVENT_NAMES } from '$lib/format/log/event';
import { eventLog, type LoggedEvent } from '../../repository/event.ts';
import { photographsOfRuns } from '../../repository/photograph.ts';
import { namesAt } from '../../repository/member.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { readingLog, type LoggedReading } from '../../repository/test.ts';
import type { Deps } from '../deps.ts';

/** What of a log is asked for; what is left out narrows nothing. */
export interface LogFilter {
	readonly waterId: string | null;
	/** Readings of a parameter, events of a kind, or all of either. */
	readonly what: LogKind;
	readonly before: Instant | null;
	/** The membership of whoever entered it. */
	readonly by?: string | null;
	readonly from?: CivilDate | null;
	/** The last day. */
	readonly to?: CivilDate | null;
	readonly words?: string;
	/** In which numbers are looked for. */
	readonly units?: Readonly<Record<ParameterId, UnitId>>;
}

const CANONICAL = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Readonly<
	Record<ParameterId, UnitId>
>;

export type LogEntry =
	| ({
			readonly type: 'reading';
			readonly photographs: readonly string[];
			readonly voiceNotes: number;
	  } & LoggedReading)
	| ({ readonly type: 'event'; readonly at: Instant } & LoggedEvent);

export interface LogPage {
	readonly entries: readonly LogEntry[];
	/** Give this as `before` to get the page after this one; null on the last. */
	readonly older: Instant | null;
}

const PAGE = 60;
const holds = (name: string, words: string) => name.toLowerCase().includes(words.toLowerCase());

async function entriesOf(deps: Deps, scope: SiteScope, filter: LogFilter, most: number): Promise<LogEntry[]> {
	const { waterId, what, before, by = null, from = null, to = null, words = '', units = CANONICAL } = filter;
	const { timeZone } = scope;
	const asked = {
		waterId,
		before,
		by,
		from: from && instantOnDay(from, '00:00', timeZone),
		until: to && endOfDay(instantOnDay(to, '12:00', timeZone), timeZone),
		words,
		units,
		kindsNamed: words === '' ? [] : EVENT_KINDS.filter((k) => holds(EVENT_NAMES[k], words)),
		most
	};
	const parameter = what !== null && isParameterId(what) ? what : null;
	const kind = what !== null && isEventKind(what) ? what : null;
	const [readings, events] = await Promise.all([
		what === null || what === 'readings' || parameter
			? readingLog(deps.db, scope, { ...asked, parameter })
			: [],
		what === null || what === 'events' || kind ? eventLog(deps.db, scope, { ...asked, kind }) : []
	]);
	const runIds = readings.map((r) => r.runId);
	const [photographs, voices] = await Promise.all([
		photographsOfRuns(deps.db, scope, runIds),
		photographsOfRuns(deps.db, scope, runIds, 'sound')
	]);
	const entries: LogEntry[] = [
		...readings.map((r) => ({
			type: 'reading' as const,
			photographs: photographs.get(r.runId) ?? [],
			voiceNotes: voices.get(r.runId)?.length ?? 0,
			...r
		})),
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

/** Whoever entered anything at a site may be asked for. */
export async function readersOf(
	deps: Deps,
	scope: SiteScope
): Promise<readonly { readonly id: string; readonly name: string }[]> {
	const names = await namesAt(deps.db, scope);
	return [...names].map(([id, name]) => ({ id, name }));
}

/** The last events of a water that still stand, newest first. */
export async function readRecentEvents(
	deps: Deps,
	scope: SiteScope,
	waterId: string,
	most: number
): Promise<LoggedEvent[]> {
	const page = await entriesOf(deps, scope, { waterId, what: 'events', before: null }, 2 * most);
	return page.flatMap((e) => (e.type === 'event' && !e.superseded ? [e] : [])).slice(0, most);
}
