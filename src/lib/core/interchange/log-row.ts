import { PARAMETERS, UNITS } from '../quantity/index.ts';
import { boundsOf, pointOf, type TestResult } from '../reading/index.ts';
import { toIso, type Instant } from '../time/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
import { quoteFormula } from './formula-quote.ts';

/** Columns of the log file, in order; documented in docs/log-format.md. */
export const LOG_COLUMNS = [
	'time_utc',
	'utc_offset_min',
	'water',
	'entry',
	'parameter',
	'kind',
	'value',
	'lower_95',
	'upper_95',
	'standard_uncertainty',
	'unit',
	'method',
	'raw_reading',
	'state',
	'by',
	'note',
	'id'
] as const;

export type LogColumn = (typeof LOG_COLUMNS)[number];

/** One entry of the log, as the file needs it. */
export interface LogRecord {
	readonly id: string;
	readonly at: Instant;
	readonly offsetMinutes: number;
	readonly water: string;
	readonly entry: string;
	readonly by: string;
	readonly note: string;
	readonly state: 'current' | 'corrected';
	readonly test: { readonly method: string; readonly rawReading: string; readonly result: TestResult } | null;
}

/** Full precision, so that nothing is lost on the way out; a bound has its one end only. */
export function logRow(record: LogRecord): Record<LogColumn, string | number> {
	const result = record.test?.result;
	const bounds = result ? boundsOf(result) : null;
	return {
		time_utc: toIso(record.at),
		utc_offset_min: record.offsetMinutes,
		water: quoteFormula(record.water),
		entry: record.entry,
		parameter: result ? PARAMETERS[result.parameter].name : '',
		kind: result?.kind ?? '',
		value: result ? (pointOf(result)?.value ?? '') : '',
		lower_95: bounds?.lower ?? '',
		upper_95: bounds?.upper ?? '',
		standard_uncertainty: result && result.kind !== 'bound' ? standardUncertaintyOf(result) : '',
		unit: result ? UNITS[result.unit].symbol : '',
		method: record.test?.method ?? '',
		raw_reading: record.test?.rawReading ?? '',
		state: record.state,
		by: quoteFormula(record.by),
		note: quoteFormula(record.note),
		id: record.id
	};
}
