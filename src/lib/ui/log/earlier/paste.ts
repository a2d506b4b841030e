import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { ownIn } from '$lib/core/result';

/** What was pasted: rows of cells, and which columns a heading named. */
export interface Pasted {
	/** By place: the date, a parameter, or null for a column that nobody knows; null altogether without a heading. */
	readonly heading: readonly ('date' | ParameterId | null)[] | null;
	readonly rows: readonly (readonly string[])[];
}

/** Names under which a column goes in paper books and spreadsheets. */
const OTHER_NAMES: Readonly<Record<string, ParameterId>> = {
	kh: 'alkalinity',
	dkh: 'alkalinity',
	alk: 'alkalinity',
	ca: 'calcium',
	mg: 'magnesium',
	k: 'potassium',
	no3: 'nitrate',
	po4: 'phosphate',
	nh3: 'ammonia',
	nh4: 'ammonia',
	no2: 'nitrite',
	salinity: 'salinity',
	psu: 'salinity',
	sg: 'salinity',
	temp: 'temperature',
	gh: 'hardness'
};
const DATES: ReadonlySet<string> = new Set(['date', 'day', 'when', 'time', 'datum']);

/** Letters and digits alone, small figures as plain ones, without a unit in brackets. */
function plainName(text: string): string {
	return text
		.normalize('NFKD')
		.toLowerCase()
		.replace(/\(.*\)|\[.*\]/g, '')
		.replace(/[^a-z0-9]/g, '');
}

function columnOf(text: string): 'date' | ParameterId | null {
	const name = plainName(text);
	if (DATES.has(name)) return 'date';
	const own = PARAMETER_IDS.find((id) => id === name || plainName(PARAMETERS[id].name) === name);
	return own ?? ownIn(OTHER_NAMES, name) ?? null;
}

/** Cells of a line: by tabs, as spreadsheets copy; else by semicolons. A comma may be a decimal one and parts nothing. */
const cellsOf = (line: string) => line.split(line.includes('\t') ? '\t' : ';').map((cell) => cell.trim());

/** Reads what was copied from a spreadsheet or a text. */
export function pasted(text: string): Pasted {
	const rows = text
		.replace(/\r\n?/g, '\n')
		.split('\n')
		.filter((line) => line.trim() !== '')
		.map(cellsOf);
	const heading = rows[0]?.map(columnOf) ?? [];
	return heading.some((c) => c !== null) && heading.filter((c) => c !== null).length * 2 > heading.length
		? { heading, rows: rows.slice(1) }
		: { heading: null, rows };
}
