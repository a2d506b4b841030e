import { isParameterId, type ParameterId } from '$lib/core/quantity';
import { EVENT_KINDS, type EventKind } from '$lib/core/record';
import { instant, type CivilDate, type Instant } from '$lib/core/time';

/** Readings of one parameter, all that is no reading, or events of one kind; null is everything. */
export type LogKind = ParameterId | EventKind | 'events' | 'readings' | null;

/** What of a log is looked for, as an address keeps it. */
export interface LogSearch {
	readonly what: LogKind;
	readonly everywhere: boolean;
	/** The membership of whoever entered it; empty for all. */
	readonly by: string;
	/** Words or numbers that stand in it. */
	readonly words: string;
	readonly from: CivilDate | null;
	readonly to: CivilDate | null;
	/** The page that ends before. */
	readonly before: Instant | null;
}

const UUID = /^[0-9a-f-]{36}$/;
/** Longer than what anybody looks for. */
const MOST_LETTERS = 80;

export const isEventKind = (text: string): text is EventKind =>
	(EVENT_KINDS as readonly string[]).includes(text);

/** @param day reads a day as its reader types it; whatever is none narrows nothing */
export function readLogSearch(query: URLSearchParams, day: (text: string) => CivilDate | null): LogSearch {
	const what = query.get('what') ?? '';
	const by = query.get('by') ?? '';
	const before = Number(query.get('before'));
	return {
		what: isParameterId(what) || isEventKind(what) || what === 'events' || what === 'readings' ? what : null,
		everywhere: query.get('waters') === 'all',
		by: UUID.test(by) ? by : '',
		words: (query.get('words') ?? '').trim().slice(0, MOST_LETTERS),
		from: day(query.get('from') ?? ''),
		to: day(query.get('to') ?? ''),
		before: Number.isSafeInteger(before) && before > 0 ? instant(before) : null
	};
}

/** The address of a search, without its path; what is not asked for is left out. */
export function logQuery(search: LogSearch): string {
	const parts = new URLSearchParams(
		Object.entries({
			what: search.what ?? '',
			waters: search.everywhere ? 'all' : '',
			by: search.by,
			words: search.words,
			from: search.from ?? '',
			to: search.to ?? '',
			before: search.before === null ? '' : String(search.before)
		}).filter(([, value]) => value !== '')
	);
	return parts.size > 0 ? `?${parts}` : '?';
}

/** Whether anything narrows the log. */
export function isNarrowed({ what, by, words, from, to }: LogSearch): boolean {
	return what !== null || by !== '' || words !== '' || from !== null || to !== null;
}
