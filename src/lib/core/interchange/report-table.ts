import { typedNumber } from '../numeric/index.ts';
import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '../quantity/index.ts';
import { instantOfLocal, type Instant } from '../time/index.ts';

/** What one column of a laboratory's table holds. */
export type ColumnRole =
	| { readonly kind: 'ignore' }
	| { readonly kind: 'parameter' }
	| { readonly kind: 'value' }
	| { readonly kind: 'unit' }
	| { readonly kind: 'uncertainty' }
	| { readonly kind: 'date' }
	/** Values of one parameter, in one unit, down the column. */
	| { readonly kind: 'of'; readonly parameter: ParameterId; readonly unit: UnitId };

export interface ReportRow {
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	readonly kind: 'value' | '<' | '>';
	readonly value: number;
	readonly expandedU: number | null;
	readonly drawnAt: Instant;
}

/** A line that could not be taken, and why. */
export interface ReportFault {
	/** Counted from 1, the head not among them. */
	readonly line: number;
	readonly why: 'no-parameter' | 'no-value' | 'no-unit' | 'no-date' | 'bad-uncertainty';
	readonly text: string;
}

const NAMES: Readonly<Record<ParameterId, readonly string[]>> = {
	alkalinity: ['alkalinity', 'kh', 'carbonate hardness', 'alk', 'total alkalinity'],
	calcium: ['calcium', 'ca'],
	magnesium: ['magnesium', 'mg'],
	potassium: ['potassium', 'k'],
	// Nitrate as nitrogen and phosphate as phosphorus are other numbers: they are chosen by hand, never guessed.
	nitrate: ['nitrate', 'no3'],
	phosphate: ['phosphate', 'po4'],
	ammonia: ['ammonia', 'ammonium', 'nh4', 'nh3', 'total ammonia'],
	nitrite: ['nitrite', 'no2'],
	ph: ['ph'],
	salinity: ['salinity', 's', 'specific gravity'],
	temperature: ['temperature', 'temp', 't'],
	hardness: ['general hardness', 'gh', 'total hardness']
};

/** Subscripts, case, brackets and spaces aside. */
const plainText = (text: string) =>
	text
		.toLowerCase()
		.replace(/[₀-₉]/g, (c) => String(c.charCodeAt(0) - 0x2080))
		.replace(/[µμ]/g, 'u')
		.replace(/\s+/g, ' ')
		.trim();

/** The parameter that a name means; null where it means none, or more than one. */
export function parameterNamed(text: string): ParameterId | null {
	const plain = plainText(text)
		.replace(/\(.*\)|\[.*\]/g, '')
		.trim();
	return PARAMETER_IDS.find((p) => NAMES[p].includes(plain)) ?? null;
}

/** The unit of a parameter that a text means; null where it fits none of them. */
export function unitNamed(parameter: ParameterId, text: string): UnitId | null {
	const plain = plainText(text).replaceAll(' ', '');
	if (plain === '') return null;
	const { units } = PARAMETERS[parameter];
	const exact = units.find((u) => plainText(UNITS[u].symbol).replaceAll(' ', '') === plain);
	if (exact) return exact;
	// "mg/L" of a parameter whose first unit is so many mg/L of itself.
	if (plain === 'mg/l') return units.find((u) => plainText(UNITS[u].symbol).startsWith('mg/l')) ?? null;
	if (plain === 'ug/l') return units.find((u) => plainText(UNITS[u].symbol).startsWith('ug/l')) ?? null;
	if (plain === 'ppt' || plain === 'psu') return units.find((u) => u === 'psu') ?? null;
	return null;
}

/** What a head of a column most likely means; the keeper sees it and can change it. */
export function guessRole(head: string): ColumnRole {
	const plain = plainText(head);
	if (/^(parameter|analyte|element|measured|what)$/.test(plain)) return { kind: 'parameter' };
	if (/^(value|result|reading|concentration)$/.test(plain)) return { kind: 'value' };
	if (/^units?$/.test(plain)) return { kind: 'unit' };
	if (/^(±|\+-|\+\/-|uncertainty|u|expanded uncertainty|u \(k ?= ?2\))$/.test(plain)) {
		return { kind: 'uncertainty' };
	}
	if (/^(date|drawn|sampled|sample date|drawn on)$/.test(plain)) return { kind: 'date' };
	const parameter = parameterNamed(head);
	if (parameter) {
		const inBrackets = /[([](.*)[)\]]/.exec(head)?.[1] ?? '';
		const unit = unitNamed(parameter, inBrackets) ?? PARAMETERS[parameter].units[0]!;
		return { kind: 'of', parameter, unit };
	}
	return { kind: 'ignore' };
}

/** A day, or a day and a time, in a zone; a day alone is its noon. Months are never guessed. */
function dateOf(text: string, timeZone: string): Instant | null {
	const iso = /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{2}:\d{2}))?/.exec(text.trim());
	const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})(?: (\d{2}:\d{2}))?$/.exec(text.trim());
	const two = (s: string) => s.padStart(2, '0');
	const [date, time] = iso
		? [`${iso[1]}-${iso[2]}-${iso[3]}`, iso[4]]
		: dotted
			? [`${dotted[3]}-${two(dotted[2]!)}-${two(dotted[1]!)}`, dotted[4]]
			: [null, null];
	if (date === null || Number.isNaN(Date.parse(`${date}T00:00Z`))) return null;
	return instantOfLocal(`${date}T${time ?? '12:00'}`, timeZone);
}

/** "412", "< 0.02", "> 60"; null where it is neither. */
function valueOf(text: string): { readonly kind: ReportRow['kind']; readonly value: number } | null {
	const bound = /^([<>])\s*(.*)$/.exec(text.trim());
	const value = typedNumber(bound?.[2] ?? text);
	if (value === null || Number.isNaN(value)) return null;
	return { kind: (bound?.[1] as '<' | '>' | undefined) ?? 'value', value };
}

/**
 * Rows of a laboratory's table as values of parameters, by what its columns were said to hold; what cannot be taken is
 * told line by line, and nothing of it is guessed.
 *
 * @param table the lines below the head
 * @param drawnAt for lines without a date of their own
 */
export function reportRows(
	table: readonly (readonly string[])[],
	roles: readonly ColumnRole[],
	drawnAt: Instant,
	timeZone: string
): { readonly rows: readonly ReportRow[]; readonly faults: readonly ReportFault[] } {
	const rows: ReportRow[] = [];
	const faults: ReportFault[] = [];
	const column = (kind: ColumnRole['kind']) => roles.findIndex((r) => r.kind === kind);
	const [named, valued, unitAt, uAt, dateAt] = [
		column('parameter'),
		column('value'),
		column('unit'),
		column('uncertainty'),
		column('date')
	];
	table.forEach((cells, i) => {
		const line = i + 1;
		const cell = (at: number) => (at < 0 ? '' : (cells[at] ?? '').trim());
		if (cells.every((c) => c.trim() === '')) return;
		const fault = (why: ReportFault['why'], text: string) => faults.push({ line, why, text });
		const day = cell(dateAt);
		const at = day === '' ? drawnAt : dateOf(day, timeZone);
		if (at === null) return void fault('no-date', day);
		if (valued >= 0) {
			const parameter = parameterNamed(cell(named));
			if (!parameter) return void fault('no-parameter', cell(named));
			const said = valueOf(cell(valued));
			if (!said) return void fault('no-value', cell(valued));
			const unit = unitAt < 0 ? PARAMETERS[parameter].units[0]! : unitNamed(parameter, cell(unitAt));
			if (!unit) return void fault('no-unit', cell(unitAt));
			const u = typedNumber(cell(uAt).replace(/^±\s*/, ''));
			if (u !== null && !(u > 0)) return void fault('bad-uncertainty', cell(uAt));
			rows.push({ parameter, unit, ...said, expandedU: said.kind === 'value' ? u : null, drawnAt: at });
		}
		roles.forEach((role, c) => {
			if (role.kind !== 'of' || cell(c) === '') return;
			const said = valueOf(cell(c));
			if (!said) return void fault('no-value', cell(c));
			rows.push({ parameter: role.parameter, unit: role.unit, ...said, expandedU: null, drawnAt: at });
		});
	});
	return { rows, faults };
}
