import type { Meter, Titration, Worth } from '$lib/core/method';
import { typedNumber } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { countsDrops, type EnteredKind, type TitrationText } from './method-text';
import { parseTable, printedStepOf } from './pasted-table';
import { atLeastZero, every, positive, sameIn, shareOf } from './typed';

/** Taken where no leaflet says it and no method is adapted (husbandry conventions; docs/decisions). */
const USUAL = {
	titrantRelativeTolerance: 0.01,
	tipDropMl: 0.015,
	dropTolerance: 0.03,
	endPointDrops: 0.5
} as const;

/** One titration of a draft, with what it was in the method that is adapted. */
export interface TitrationDraft {
	readonly kind: EnteredKind;
	readonly parameter: ParameterId;
	readonly text: TitrationText;
	readonly known: Titration | undefined;
	readonly typedBefore: TitrationText | null;
	/** Before the name of a field in a fault: "second." */
	readonly path: '' | 'second.';
}

function excessOf({ text, path }: TitrationDraft): Result<Worth> {
	const numbers = every({
		titrantMolPerL: positive(text.molPerL, `${path}molPerL`),
		excessMolPerL: positive(text.excessMolPerL, `${path}excessMolPerL`),
		excessMl: positive(text.excessMl, `${path}excessMl`)
	});
	if (!numbers.ok) return numbers;
	if (text.filtrateOfMl.trim() === '' && text.filtrateTakenMl.trim() === '') {
		return ok({ by: 'excess', ...numbers.value, filtrate: null });
	}
	const filtrate = every({
		ofMl: positive(text.filtrateOfMl, `${path}filtrateOfMl`),
		takenMl: positive(text.filtrateTakenMl, `${path}filtrateTakenMl`)
	});
	if (!filtrate.ok) return filtrate;
	if (filtrate.value.takenMl > filtrate.value.ofMl)
		return fail('filtrate-too-small', `${path}filtrateTakenMl`);
	return ok({ by: 'excess', ...numbers.value, filtrate: filtrate.value });
}

function worthOf(draft: TitrationDraft): Result<Worth> {
	const { text, path } = draft;
	if (text.worthBy === 'excess') return excessOf(draft);
	if (text.worthBy === 'titrant') {
		const molPerL = positive(text.molPerL, `${path}molPerL`);
		return molPerL.ok ? ok({ by: 'titrant', molPerL: molPerL.value }) : molPerL;
	}
	if (text.worthBy === 'factor') {
		const perUnit = typedNumber(text.factor);
		if (!perUnit) return fail('worth-nothing', `${path}factor`);
		return ok({ by: 'line', unit: text.unit, perUnit, atZero: 0 });
	}
	const rows = parseTable(text.worthBy === 'points' ? text.points : text.table);
	if (!rows.ok) return fail(rows.fault.code, `${path}${text.worthBy}`, rows.fault.details);
	if (text.worthBy === 'table') {
		const printedStep = printedStepOf(rows.value.map(([, y]) => y));
		return ok({ by: 'table', unit: text.unit, reads: text.tableReads, points: rows.value, printedStep });
	}
	const [[x0, y0], [x1, y1]] = [rows.value[0]!, rows.value.at(-1)!];
	if (x0 === x1) return fail('chart-duplicate', `${path}points`, { x: x0 });
	const perUnit = (y1 - y0) / (x1 - x0);
	return ok({ by: 'line', unit: text.unit, perUnit, atZero: y0 - perUnit * x0 });
}

function meterOf({ kind, text, known, path }: TitrationDraft): Result<Meter> {
	if (countsDrops(kind, text)) {
		const before = known?.meter.kind === 'drops' ? known.meter : null;
		const dropMl = positive(text.dropMl, `${path}dropMl`);
		if (!dropMl.ok) return dropMl;
		const loadMl = text.loadMl.trim() === '' ? ok(null) : positive(text.loadMl, `${path}loadMl`);
		if (!loadMl.ok) return loadMl;
		return ok({
			kind: 'drops',
			dropMl: dropMl.value,
			relativeTolerance: before?.relativeTolerance ?? USUAL.dropTolerance,
			...(loadMl.value === null ? {} : { loadMl: loadMl.value })
		});
	}
	const syringe = known?.meter.kind === 'syringe' ? known.meter : null;
	const read = every({
		capacityMl: positive(text.capacityMl, `${path}capacityMl`),
		graduationMl: positive(text.graduationMl, `${path}graduationMl`),
		headStartMl: atLeastZero(text.headStartMl, `${path}headStartMl`, 0)
	});
	if (!read.ok) return read;
	const { headStartMl, ...scale } = read.value;
	return ok({
		kind: 'syringe',
		...scale,
		readAs: text.readAs,
		tipDropMl: syringe?.tipDropMl ?? USUAL.tipDropMl,
		headStartMl
	});
}

const WORTH_FIELDS = [
	'unit',
	'worthBy',
	'factor',
	'points',
	'table',
	'tableReads',
	'molPerL',
	'excessMolPerL',
	'excessMl',
	'filtrateOfMl',
	'filtrateTakenMl'
] as const;

/** One titration as it was typed, or which field of it is wrong. */
export function titrationOfText(draft: TitrationDraft): Result<Titration> {
	const { kind, parameter, text, known, typedBefore, path } = draft;
	const parts = every({
		worth: known && sameIn(text, typedBefore, ...WORTH_FIELDS) ? ok(known.worth) : worthOf(draft),
		meter: meterOf(draft),
		titrantRelativeTolerance: shareOf(
			text.strengthPercent,
			`${path}strengthPercent`,
			USUAL.titrantRelativeTolerance
		)
	});
	if (!parts.ok) return parts;
	return ok({
		parameter,
		titrant: text.titrant.trim().slice(0, 60) || 'the titrant',
		...parts.value,
		endPointU: known?.endPointU ?? (countsDrops(kind, text) ? USUAL.endPointDrops : USUAL.tipDropMl),
		colours: {
			start: { name: text.startColour.trim() || 'start', css: text.startCss },
			passing:
				known && sameIn(text, typedBefore, 'startCss', 'endCss')
					? known.colours.passing
					: { name: 'between the two', css: mixed(text.startCss, text.endCss) },
			end: { name: text.endColour.trim() || 'end', css: text.endCss }
		}
	});
}

/** Half-way between two colours, for the shade that announces the end. */
function mixed(a: string, b: string): string {
	const part = (css: string, i: number) => Number.parseInt(css.slice(1 + 2 * i, 3 + 2 * i), 16) || 0;
	const middle = [0, 1, 2].map((i) => Math.round((part(a, i) + part(b, i)) / 2));
	return `#${middle.map((x) => x.toString(16).padStart(2, '0')).join('')}`;
}
