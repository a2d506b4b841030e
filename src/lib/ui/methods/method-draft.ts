import {
	parseSteps,
	protocol,
	spacingOf,
	textOfStep,
	titrationsOf,
	unitsFor,
	type ColourStep,
	type Method,
	type MethodKind,
	type Reagent,
	type Titration,
	type Worth
} from '$lib/core/method';
import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';

/** The kinds that can be entered from a leaflet here; the others are duplicated from a shipped one and adapted. */
export const ENTERED_KINDS = [
	'syringe-titration',
	'drop-titration',
	'colour-card',
	'comparator',
	'display'
] as const;
export type EnteredKind = (typeof ENTERED_KINDS)[number];

export function isEnteredKind(kind: MethodKind): kind is EnteredKind {
	return (ENTERED_KINDS as readonly string[]).includes(kind);
}

/** A method as it is typed: every number is text until it is asked for. */
export interface MethodText {
	readonly kind: EnteredKind;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	readonly fullMl: string;
	/** Empty where the leaflet has no half sample. */
	readonly halfMl: string;
	readonly worthBy: 'factor' | 'points' | 'table' | 'titrant';
	/** What one mL or one drop is worth. */
	readonly factor: string;
	/** Two rows "volume value" of a straight line. */
	readonly points: string;
	/** A pasted table: a volume and a value on every line. */
	readonly table: string;
	readonly tableReads: 'left' | 'used';
	readonly molPerL: string;
	readonly capacityMl: string;
	readonly graduationMl: string;
	readonly readAs: 'left' | 'used';
	readonly startColour: string;
	readonly startCss: string;
	readonly endColour: string;
	readonly endCss: string;
	/** Steps of a card: "value colour-name" on every line, with their swatches beside. */
	readonly colours: readonly { readonly value: string; readonly name: string; readonly css: string }[];
	readonly dilutions: string;
	readonly resolution: string;
	readonly accuracyAbsolute: string;
	readonly accuracyPercent: string;
	readonly rangeHigh: string;
	readonly steps: string;
	readonly tests: string;
	readonly hazards: readonly Reagent['hazards'][number][];
}

/** A new kit before anything was typed, with numbers that most kits have. */
export function emptyMethod(kind: EnteredKind, parameter: ParameterId): MethodText {
	return {
		kind,
		name: '',
		parameter,
		unit: PARAMETERS[parameter].canonicalUnit,
		fullMl: '5',
		halfMl: '',
		worthBy: 'factor',
		factor: '',
		points: '',
		table: '',
		tableReads: 'used',
		molPerL: '',
		capacityMl: '1',
		graduationMl: '0.01',
		readAs: 'left',
		startColour: 'start',
		startCss: '#4f9d6a',
		endColour: 'end',
		endCss: '#a3264f',
		colours: [
			{ value: '0', name: 'palest', css: '#f3efe6' },
			{ value: '', name: 'darkest', css: '#b04a6a' }
		],
		dilutions: '',
		resolution: '1',
		accuracyAbsolute: '',
		accuracyPercent: '',
		rangeHigh: '',
		steps: '',
		tests: '',
		hazards: []
	};
}

const number = (text: string) => {
	if (text.length > 40) return Number.NaN;
	const plain = text.trim().replace(',', '.').replace('−', '-');
	return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
};

/** More rows than this are no leaflet's table. */
const MOST_ROWS = 400;
export const MOST_LETTERS = 40_000;

/**
 * Rows of a pasted table: two numbers on a line, parted by spaces, a tab, a semicolon or a bar. A comma between digits
 * is a decimal comma. Lines without numbers (a heading) are left out; a line with one number, or with three, is not.
 */
export function parseTable(text: string): Result<readonly (readonly [number, number])[]> {
	if (text.length > MOST_LETTERS) return fail('too-large', 'table', { most: MOST_LETTERS, unit: 'letters' });
	const rows: [number, number][] = [];
	for (const [i, line] of text.split(/\r?\n/).entries()) {
		const cells = line.match(/[-−]?\d+(?:[.,]\d+)?/g) ?? [];
		if (cells.length === 0) continue;
		if (cells.length !== 2) return fail('table-row', 'table', { row: i + 1, cells: cells.length });
		rows.push([number(cells[0]), number(cells[1]!)]);
		if (rows.length > MOST_ROWS) return fail('too-large', 'table', { most: MOST_ROWS, unit: 'rows' });
	}
	return rows.length < 2 ? fail('chart-too-short', 'table') : ok(rows);
}

function need(text: string, field: string, least = 0): Result<number> {
	const value = number(text);
	if (!Number.isFinite(value)) return fail('not-a-number', field);
	return value > least || (least === 0 && value === 0 && field.startsWith('optional'))
		? ok(value)
		: fail('invalid-field', field, { reason: `must be > ${least}` });
}

/** Printed values of a table give away its step: the smallest difference that their digits can show. */
function printedStepOf(values: readonly number[]): number {
	const decimals = Math.max(...values.map((v) => (String(v).split('.')[1] ?? '').length));
	return 10 ** -decimals;
}

function worthOf(text: MethodText): Result<Worth> {
	if (text.worthBy === 'titrant') {
		const molPerL = need(text.molPerL, 'molPerL');
		return molPerL.ok ? ok({ by: 'titrant', molPerL: molPerL.value }) : molPerL;
	}
	if (text.worthBy === 'factor') {
		const perUnit = number(text.factor);
		if (!Number.isFinite(perUnit) || perUnit === 0) return fail('worth-nothing', 'factor');
		return ok({ by: 'line', unit: text.unit, perUnit, atZero: 0 });
	}
	const rows = parseTable(text.worthBy === 'points' ? text.points : text.table);
	if (!rows.ok) return fail(rows.fault.code, text.worthBy, rows.fault.details);
	if (text.worthBy === 'table') {
		const printedStep = printedStepOf(rows.value.map(([, y]) => y));
		return ok({ by: 'table', unit: text.unit, reads: text.tableReads, points: rows.value, printedStep });
	}
	const [[x0, y0], [x1, y1]] = [rows.value[0]!, rows.value.at(-1)!];
	if (x0 === x1) return fail('chart-duplicate', 'points', { x: x0 });
	const perUnit = (y1 - y0) / (x1 - x0);
	return ok({ by: 'line', unit: text.unit, perUnit, atZero: y0 - perUnit * x0 });
}

function titrationOf(text: MethodText): Result<Titration> {
	const worth = worthOf(text);
	if (!worth.ok) return worth;
	const common = {
		parameter: text.parameter,
		titrant: 'the titrant',
		titrantRelativeTolerance: 0.01,
		worth: worth.value,
		colours: {
			start: { name: text.startColour.trim() || 'start', css: text.startCss },
			passing: { name: 'between the two', css: mixed(text.startCss, text.endCss) },
			end: { name: text.endColour.trim() || 'end', css: text.endCss }
		}
	};
	if (text.kind === 'drop-titration') {
		return ok({ ...common, endPointU: 0.5, meter: { kind: 'drops', dropMl: 0.04, relativeTolerance: 0.03 } });
	}
	const capacityMl = need(text.capacityMl, 'capacityMl');
	if (!capacityMl.ok) return capacityMl;
	const graduationMl = need(text.graduationMl, 'graduationMl');
	if (!graduationMl.ok) return graduationMl;
	const tipDropMl = 0.015;
	return ok({
		...common,
		endPointU: tipDropMl,
		meter: {
			kind: 'syringe',
			capacityMl: capacityMl.value,
			graduationMl: graduationMl.value,
			readAs: text.readAs,
			tipDropMl,
			headStartMl: 0
		}
	});
}

/** Half-way between two colours, for the shade that announces the end. */
function mixed(a: string, b: string): string {
	const part = (css: string, i: number) => Number.parseInt(css.slice(1 + 2 * i, 3 + 2 * i), 16) || 0;
	const middle = [0, 1, 2].map((i) => Math.round((part(a, i) + part(b, i)) / 2));
	return `#${middle.map((x) => x.toString(16).padStart(2, '0')).join('')}`;
}

function colourSteps(text: MethodText): Result<readonly ColourStep[]> {
	const steps: ColourStep[] = [];
	for (const [i, { value, name, css }] of text.colours.entries()) {
		if (value.trim() === '' && name.trim() === '') continue;
		const at = number(value);
		if (!Number.isFinite(at) || at < 0) return fail('not-a-number', `colours.${i}`);
		steps.push({ value: at, colour: { name: name.trim() || value, css } });
	}
	if (steps.length < 2) return fail('chart-too-short', 'colours');
	const wrong = steps.findIndex((s, i) => i > 0 && s.value <= steps[i - 1]!.value);
	return wrong >= 0 ? fail('steps-not-rising', `colours.${wrong}`) : ok(steps);
}

const TITRATES: ReadonlySet<string> = new Set(['syringe-titration', 'drop-titration']);

/** The steps of the text, with what every protocol needs put in where it was left out. */
export function stepsOf(text: Pick<MethodText, 'kind' | 'steps'>) {
	const parsed = parseSteps(text.steps);
	const ends = TITRATES.has(text.kind) ? 'titrate' : 'read';
	const first = parsed.some((p) => p.step.action.kind === 'draw')
		? []
		: parseSteps('rinse the vial with purified water, then with the water to be tested').map((p) => ({
				...p,
				added: true
			}));
	const draw = parsed.some((p) => p.step.action.kind === 'draw')
		? []
		: [{ step: drawStep(), understood: true, added: true }];
	const last = parsed.some((p) => p.step.action.kind === ends)
		? []
		: parseSteps(ends === 'titrate' ? 'titrate until the colour turns' : 'read the result').map((p) => ({
				...p,
				added: true
			}));
	return [...first, ...draw, ...parsed.map((p) => ({ ...p, added: false })), ...last];
}

function drawStep() {
	const [made] = parseSteps('draw 1 mL');
	const { action } = made!.step;
	return {
		...made!.step,
		action: { kind: 'draw' as const, handsS: 'handsS' in action ? action.handsS : 25 },
		say: 'Draw {sample} into the vial'
	};
}

/** Turns what was typed into a method, or says which field is wrong. Code and version are the server's. */
export function methodOfText(text: MethodText): Result<Method> {
	const name = text.name.trim();
	if (name.length < 3)
		return fail('invalid-field', 'name', { reason: 'must NOT have fewer than 3 characters' });
	if (!unitsFor(text.parameter).includes(text.unit)) return fail('unit-unknown', 'unit');
	const full = need(text.fullMl, 'fullMl');
	if (!full.ok) return full;
	const half = text.halfMl.trim() === '' ? null : need(text.halfMl, 'halfMl');
	if (half && !half.ok) return half;
	if (half && half.value >= full.value) {
		return fail('invalid-field', 'halfMl', { reason: `must be < ${full.value}` });
	}
	const dilutions =
		text.dilutions.trim() === ''
			? []
			: text.dilutions.split(/[;\s]+/).map((d) => number(d.replace(/^1:/, '')));
	if (dilutions.some((d) => !(d > 1 && d <= 100))) return fail('not-a-number', 'dilutions');
	const tests = text.tests.trim() === '' ? null : number(text.tests);
	if (tests !== null && !(Number.isInteger(tests) && tests > 0)) return fail('not-a-number', 'tests');
	const steps = protocol(stepsOf(text).map((p) => p.step));
	const labels = [...new Set(steps.flatMap((s) => (s.reagent ? [s.reagent] : [])))];
	const common = {
		code: 'own',
		version: 1,
		name,
		parameter: text.parameter,
		species: PARAMETERS[text.parameter].species,
		sampleMl: { full: full.value, ...(half ? { half: half.value } : {}) },
		sampleRelativeTolerance: 0.01,
		dilutions,
		limits: { low: null, high: null },
		// Which reagent is which danger only its label knows: what was ticked stands with all of them.
		reagents: labels.slice(0, 12).map((label) => ({
			label: label.slice(0, 40),
			what: 'as its label says',
			hazards: text.hazards
		})),
		equipment: [],
		steps,
		pack: { tests, price: null, closedMonths: null, openedMonths: null }
	};
	switch (text.kind) {
		case 'syringe-titration':
		case 'drop-titration': {
			const titration = titrationOf(text);
			return titration.ok ? ok({ ...common, kind: text.kind, titration: titration.value }) : titration;
		}
		case 'colour-card':
		case 'comparator': {
			const found = colourSteps(text);
			if (!found.ok) return found;
			return ok({
				...common,
				kind: text.kind,
				unit: text.unit,
				colourSteps: found.value,
				spacing: spacingOf(found.value.map((s) => s.value)),
				blank: text.kind === 'comparator',
				view: ''
			});
		}
		case 'display': {
			const resolution = need(text.resolution, 'resolution');
			if (!resolution.ok) return resolution;
			const high = need(text.rangeHigh, 'rangeHigh');
			if (!high.ok) return high;
			const absolute = text.accuracyAbsolute.trim() === '' ? 0 : number(text.accuracyAbsolute);
			const relative = text.accuracyPercent.trim() === '' ? 0 : number(text.accuracyPercent) / 100;
			if (!(absolute >= 0 && relative >= 0) || absolute + relative === 0) {
				return fail('not-a-number', 'accuracyAbsolute');
			}
			return ok({
				...common,
				kind: 'display',
				unit: text.unit,
				resolution: resolution.value,
				accuracy: { absolute, relative },
				range: { low: 0, high: high.value },
				withTemperature: false
			});
		}
	}
}

/** A method that exists as it would have been typed, to be changed. Null for kinds that are not entered here. */
export function textOfMethod(method: Method): MethodText | null {
	const { kind } = method;
	if (!isEnteredKind(kind) || !method.sampleMl) return null;
	const text: MethodText = {
		...emptyMethod(kind, method.parameter),
		name: method.name,
		fullMl: String(method.sampleMl.full),
		halfMl: method.sampleMl.half === undefined ? '' : String(method.sampleMl.half),
		dilutions: method.dilutions.join(' '),
		tests: method.pack.tests === null ? '' : String(method.pack.tests),
		hazards: [...new Set(method.reagents.flatMap((r) => r.hazards))],
		steps: method.steps
			.map((s) => (s.action.kind === 'draw' && s.say.includes('{sample}') ? '' : textOfStep(s)))
			.filter(Boolean)
			.join('; ')
	};
	if (method.kind === 'colour-card' || method.kind === 'comparator') {
		return {
			...text,
			unit: method.unit,
			colours: method.colourSteps.map((s) => ({
				value: String(s.value),
				name: s.colour.name,
				css: s.colour.css
			}))
		};
	}
	if (method.kind === 'display') {
		return {
			...text,
			unit: method.unit,
			resolution: String(method.resolution),
			accuracyAbsolute: method.accuracy.absolute === 0 ? '' : String(method.accuracy.absolute),
			accuracyPercent: method.accuracy.relative === 0 ? '' : String(100 * method.accuracy.relative),
			rangeHigh: String(method.range.high)
		};
	}
	const [titration] = titrationsOf(method);
	if (!titration) return null;
	const { worth, meter, colours } = titration;
	return {
		...text,
		...(meter.kind === 'syringe'
			? {
					capacityMl: String(meter.capacityMl),
					graduationMl: String(meter.graduationMl),
					readAs: meter.readAs
				}
			: {}),
		startColour: colours.start.name,
		startCss: colours.start.css,
		endColour: colours.end.name,
		endCss: colours.end.css,
		...(worth.by === 'titrant' ? { worthBy: 'titrant', molPerL: String(worth.molPerL) } : {}),
		...(worth.by === 'line' && worth.atZero === 0
			? { worthBy: 'factor', unit: worth.unit, factor: String(worth.perUnit) }
			: {}),
		...(worth.by === 'line' && worth.atZero !== 0
			? {
					worthBy: 'points',
					unit: worth.unit,
					points: `0 ${worth.atZero}\n1 ${worth.atZero + worth.perUnit}`
				}
			: {}),
		...(worth.by === 'table'
			? {
					worthBy: 'table',
					unit: worth.unit,
					tableReads: worth.reads,
					table: worth.points.map(([x, y]) => `${x} ${y}`).join('\n')
				}
			: {})
	};
}
