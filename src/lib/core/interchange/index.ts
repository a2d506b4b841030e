/** Open formats: records as rows; turning rows into bytes is the caller's. */
export { LOG_COLUMNS, logRow, type LogColumn, type LogRecord } from './log-row.ts';
export { quoteFormula, unquoteFormula } from './formula-quote.ts';
export { guessRole, reportRows, type ColumnRole, type ReportFault, type ReportRow } from './report-table.ts';
