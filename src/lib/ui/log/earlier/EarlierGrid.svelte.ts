import type { SaveTestRun } from '$lib/contract/test-run';
import { statedMethodFor, type Method } from '$lib/core/method';
import { typedNumber } from '$lib/core/numeric';
import { convert, convertSpan, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { usualExpandedU } from '$lib/core/reading';
import type { Fault } from '$lib/core/result';
import {
	instantOfLocal,
	offsetMinutes,
	typedDay,
	typedMoment,
	type CivilDate,
	type Instant
} from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { reader } from '$lib/format/reader';
import { pasted } from './paste';

/** One number of the book. */
export interface Cell {
	readonly text: string;
	readonly state: 'typed' | 'saved' | 'refused';
	/** Why it was refused. */
	readonly why: string;
	/** It is unusual for this water, and nobody said yet that it is so. */
	readonly unusual: boolean;
	/** Somebody said so. */
	readonly confirmed: boolean;
}

/** One day of the book. */
interface Row {
	readonly date: string;
	readonly cells: Readonly<Partial<Record<ParameterId, Cell>>>;
	/** One for each cell, so that what is sent twice is stored once. */
	readonly ids: Readonly<
		Partial<Record<ParameterId, readonly [run: string, sample: string, reading: string]>>
	>;
}

export type Saved =
	| { readonly kind: 'ok' }
	| { readonly kind: 'refused'; readonly fault: Fault }
	| { readonly kind: 'away'; readonly message: string };

interface Given {
	readonly waterId: string;
	readonly columns: readonly ParameterId[];
	/** The kits that a column can be of. */
	readonly kits: readonly Method[];
	readonly units: Readonly<Record<ParameterId, UnitId>>;
	readonly timeZone: string;
	readonly today: CivilDate;
	readonly newId: () => string;
	readonly send: (command: SaveTestRun) => Promise<Saved>;
}

/** A book's time of day, where it names none. */
const NOON = 'T12:00';
const FIRST_ROWS = 6;
const EMPTY: Row = { date: '', cells: {}, ids: {} };
export const ELSEWHERE = '';

/** Readings from before, typed day by day into a grid and kept one by one. */
export class EarlierGrid {
	readonly #given: Given;
	columns = $state.raw<readonly ParameterId[]>([]);
	rows = $state.raw<readonly Row[]>(Array.from({ length: FIRST_ROWS }, () => EMPTY));
	/** The kit of each column by its code; none is "elsewhere". */
	kitOf = $state.raw<Readonly<Partial<Record<ParameterId, string>>>>({});
	saving = $state(false);
	/** Why it cannot go on at present. */
	away = $state('');

	constructor(given: Given) {
		this.#given = given;
		this.columns = given.columns;
	}

	readonly count = $derived(
		this.rows
			.flatMap((r) => Object.values(r.cells))
			.filter((c) => c.state !== 'saved' && c.text.trim() !== '').length
	);
	readonly saved = $derived(
		this.rows.flatMap((r) => Object.values(r.cells)).filter((c) => c.state === 'saved').length
	);

	/** When a row was read; null where its date is none. */
	atOf(row: Row): Instant | null {
		const { dates } = reader();
		const day = typedDay(row.date, dates, this.#given.today);
		const local = day ? day + NOON : typedMoment(row.date, dates, this.#given.today);
		return local ? instantOfLocal(local, this.#given.timeZone) : null;
	}

	#withRow(at: number, change: (row: Row) => Row): void {
		const rows = [...this.rows];
		while (rows.length <= at) rows.push(EMPTY);
		rows[at] = change(rows[at]!);
		// There is always one more to type in.
		if (rows.at(-1) !== EMPTY) rows.push(EMPTY);
		this.rows = rows;
	}
	setDate(at: number, date: string): void {
		this.#withRow(at, (row) => ({ ...row, date }));
	}
	setCell(at: number, parameter: ParameterId, text: string): void {
		this.#withRow(at, (row) => {
			if (row.cells[parameter]?.state === 'saved') return row;
			const cell: Cell = { text, state: 'typed', why: '', unusual: false, confirmed: false };
			return { ...row, cells: { ...row.cells, [parameter]: cell } };
		});
	}
	/** An unusual number is so. */
	confirm(at: number, parameter: ParameterId): void {
		this.#mark(at, parameter, { state: 'typed', why: '', unusual: false, confirmed: true });
	}
	addColumn(parameter: ParameterId): void {
		if (!this.columns.includes(parameter)) this.columns = [...this.columns, parameter];
	}
	setKit(parameter: ParameterId, code: string): void {
		this.kitOf = { ...this.kitOf, [parameter]: code };
	}

	/** Puts what was copied where the cursor stands, or by its heading. False where it is one cell only. */
	paste(at: number, column: number, text: string): boolean {
		const { heading, rows } = pasted(text);
		if (!heading && rows.length <= 1 && (rows[0]?.length ?? 0) <= 1) return false;
		for (const named of heading ?? []) if (named && named !== 'date') this.addColumn(named);
		for (const [i, cells] of rows.entries()) {
			for (const [j, cell] of cells.entries()) {
				const place = column + j;
				const target = heading ? heading[j] : place === 0 ? 'date' : this.columns[place - 1];
				if (!target) continue;
				if (target === 'date') this.setDate(at + i, cell);
				else this.setCell(at + i, target, cell);
			}
		}
		return true;
	}

	#runOf(
		row: Row,
		parameter: ParameterId,
		cell: Cell,
		at: Instant,
		ids: readonly string[]
	): SaveTestRun | string {
		const { kits, units, waterId, timeZone } = this.#given;
		const unit = units[parameter];
		const [, sign = '', number = ''] = /^\s*([<>]?)\s*(.*)$/s.exec(cell.text) ?? [];
		const value = typedNumber(number);
		if (value === null || !Number.isFinite(value)) return faultText({ code: 'not-a-number' });
		const kit = kits.find((m) => m.code === this.kitOf[parameter]);
		const canonical = PARAMETERS[parameter].canonicalUnit;
		const u = kit ? usualExpandedU(kit, convert(value, unit, canonical)) : null;
		const [id, sampleId, readingId] = ids as [string, string, string];
		const method = statedMethodFor(parameter);
		return {
			id,
			sampleId,
			readingId,
			waterId,
			methodCode: method.code,
			methodVersion: method.version,
			drawnAt: at,
			startedAt: at,
			finishedAt: at,
			offsetMinutes: offsetMinutes(at, timeZone),
			reading: {
				form: 'stated',
				portion: 'full',
				unit,
				says:
					sign === '<' || sign === '>'
						? { kind: 'bound', sense: sign, limit: value }
						: {
								kind: 'value',
								value,
								expandedU: u === null ? null : Number(convertSpan(u, canonical, unit).toPrecision(3)),
								k: 2
							},
				source: kit ? `${kit.name}, from my records` : 'my records'
			},
			stepLog: [],
			...(cell.confirmed ? { unusual: 'as-read' as const } : {}),
			note: ''
		};
	}

	#mark(at: number, parameter: ParameterId, change: Partial<Cell>): void {
		this.#withRow(at, (row) => ({
			...row,
			cells: { ...row.cells, [parameter]: { ...row.cells[parameter]!, ...change } }
		}));
	}

	/** Keeps one cell; false where nothing can be kept at present. */
	async #keep(at: number, parameter: ParameterId): Promise<boolean> {
		const row = this.rows[at]!;
		const cell = row.cells[parameter]!;
		const when = this.atOf(row);
		if (when === null) {
			this.#mark(at, parameter, { state: 'refused', why: 'Its row needs a date.' });
			return true;
		}
		const { newId } = this.#given;
		const ids = row.ids[parameter] ?? ([newId(), newId(), newId()] as const);
		this.#withRow(at, (r) => ({ ...r, ids: { ...r.ids, [parameter]: ids } }));
		const run = this.#runOf(row, parameter, cell, when, ids);
		if (typeof run === 'string') {
			this.#mark(at, parameter, { state: 'refused', why: run });
			return true;
		}
		const answer = await this.#given.send(run);
		if (answer.kind === 'away') {
			this.away = answer.message;
			return false;
		}
		if (answer.kind === 'ok') this.#mark(at, parameter, { state: 'saved', why: '' });
		else {
			// Under this id the refused content stands nowhere: what is typed next is another command.
			this.#withRow(at, (r) => ({ ...r, ids: { ...r.ids, [parameter]: undefined } }));
			this.#mark(at, parameter, {
				state: 'refused',
				why: faultText(answer.fault),
				unusual: answer.fault.code === 'unusual'
			});
		}
		return true;
	}

	/** Keeps all that is typed and was not kept yet. What is refused says why in its place, and the rest is kept. */
	async save(): Promise<void> {
		if (this.saving) return;
		this.saving = true;
		this.away = '';
		try {
			for (const [at, row] of [...this.rows].entries()) {
				for (const parameter of this.columns) {
					const cell = row.cells[parameter];
					if (!cell || cell.state === 'saved' || cell.text.trim() === '') continue;
					if (!(await this.#keep(at, parameter))) return;
				}
			}
		} finally {
			this.saving = false;
		}
	}
}
