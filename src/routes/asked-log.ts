import { readLogSearch, type LogSearch } from '$lib/contract/log-search';
import { typedDay } from '$lib/core/time';
import { reader } from '$lib/format/reader';

/** What an address asks of a log, days as its reader writes them or as a link has them. */
export function askedLog(query: URLSearchParams): LogSearch {
	return readLogSearch(query, (text) => typedDay(text, reader().dates, null));
}
