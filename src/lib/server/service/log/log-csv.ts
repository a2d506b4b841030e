import Papa from 'papaparse';
import { LOG_COLUMNS, logRow, type LogRecord } from '$lib/core/interchange';
import type { Instant } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';
import { readLog, type LogEntry, type LogFilter, type LogPage } from './read-log.ts';

/** An event is one record, a reading one for each parameter that it told. */
function recordsOf(entry: LogEntry): LogRecord[] {
	const common = {
		at: entry.at,
		offsetMinutes: entry.offsetMinutes,
		water: entry.water,
		by: entry.by
	};
	if (entry.type === 'event') {
		const details = Object.keys(entry.details).length > 0 ? JSON.stringify(entry.details) : '';
		return [
			{
				...common,
				id: entry.id,
				entry: entry.kind,
				note: [entry.note, details].filter(Boolean).join(' '),
				state: entry.superseded ? 'corrected' : 'current',
				test: null
			}
		];
	}
	return entry.results.map((result) => ({
		...common,
		id: entry.readingId,
		entry: 'test',
		note: [entry.note, entry.replacedBecause].filter(Boolean).join(' '),
		state: entry.replacedBecause === null ? 'current' : 'corrected',
		test: {
			method: `${entry.method.code}@${entry.method.version}`,
			rawReading: JSON.stringify(entry.reading),
			result
		}
	}));
}

const NEWLINE = '\r\n';
export const LOG_HEADER = LOG_COLUMNS.join(',');

/** Lines of the file, in the order of the entries. */
export function logLines(entries: readonly LogEntry[]): string {
	const rows = entries.flatMap(recordsOf).map(logRow);
	return Papa.unparse(rows, { columns: [...LOG_COLUMNS], header: false, newline: NEWLINE });
}

/** So many entries are read at once: a file of ten years begins as soon as one of a week, and takes as little memory. */
const AT_ONCE = 150;

/**
 * The log as a CSV file (RFC 4180, UTF-8), piece by piece and oldest last as on the screen. The next piece is read when
 * it is asked for.
 */
export async function* logCsv(
	deps: Deps,
	scope: SiteScope,
	filter: Omit<LogFilter, 'before'>
): AsyncGenerator<string, void> {
	yield LOG_HEADER;
	let before: Instant | null = null;
	do {
		const page: LogPage = await readLog(deps, scope, { ...filter, before }, AT_ONCE);
		if (page.entries.length > 0) yield NEWLINE + logLines(page.entries);
		before = page.older;
	} while (before !== null);
}
