import Papa from 'papaparse';
import { LOG_COLUMNS, logRow, type LogRecord } from '$lib/core/interchange';
import type { LogEntry } from './read-log.ts';

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

/** The log as a CSV file (RFC 4180, UTF-8), oldest last as on the screen. */
export function logCsv(entries: readonly LogEntry[]): string {
	return Papa.unparse(entries.flatMap(recordsOf).map(logRow), { columns: [...LOG_COLUMNS], newline: '\r\n' });
}
