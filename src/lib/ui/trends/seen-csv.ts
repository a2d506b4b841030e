import Papa from 'papaparse';
import { READING_KINDS } from '$lib/contract/trends';
import { quoteFormula } from '$lib/core/interchange';
import { PARAMETERS, UNITS } from '$lib/core/quantity';
import { instant, toIso, type Instant } from '$lib/core/time';
import { COVERAGE } from '$lib/core/uncertainty';
import type { Series } from './chart/series';
import { firstFrom } from '$lib/core/numeric';

/** What is seen of the stack, as rows of a file: every reading in the span, and the estimate where it is told. */
export function seenCsv(
	waters: readonly { readonly name: string; readonly all: readonly Series[] }[],
	from: Instant,
	to: Instant,
	superseded: boolean
): string {
	const rows = waters.flatMap(({ name, all }) =>
		all.flatMap((series) => {
			const common = {
				water: quoteFormula(name),
				parameter: PARAMETERS[series.parameter].name,
				unit: UNITS[series.unit].symbol
			};
			const within = (times: readonly number[]) => {
				const [start, end] = [firstFrom(times, from), firstFrom(times, to + 1)];
				return Array.from({ length: end - start }, (_, i) => start + i);
			};
			const readings = within(series.at)
				.filter((i) => superseded || !series.superseded[i])
				.map((i) => ({
					time_utc: toIso(instant(series.at[i]!)),
					...common,
					what: 'reading',
					kind: READING_KINDS[series.kind[i]!],
					value: series.value[i]!,
					lower_95: series.lower[i]!,
					upper_95: series.upper[i] === Infinity ? '' : series.upper[i]!,
					kit: quoteFormula(series.kits[series.kit[i]!]?.name ?? ''),
					state: series.superseded[i] ? 'corrected' : 'current'
				}));
			const line = within(series.line.at).map((i) => ({
				time_utc: toIso(instant(series.line.at[i]!)),
				...common,
				what: 'estimate',
				kind: 'value',
				value: series.line.value[i]!,
				lower_95: Math.max(series.least, series.line.value[i]! - COVERAGE * series.line.u[i]!),
				upper_95: series.line.value[i]! + COVERAGE * series.line.u[i]!,
				kit: '',
				state: ''
			}));
			return [...readings, ...line];
		})
	);
	const columns = [
		'time_utc',
		'water',
		'parameter',
		'what',
		'kind',
		'value',
		'lower_95',
		'upper_95',
		'unit',
		'kit',
		'state'
	];
	return Papa.unparse(rows, { columns, newline: '\r\n' });
}
