import {
	protocol,
	spacingOf,
	titrationsOf,
	unitsFor,
	type ColourStep,
	type Method,
	type MethodCommon,
	type ProtocolStep,
	type Reagent,
	type Titration,
	type Worth
} from '$lib/core/method';
import { typedNumber } from '$lib/core/numeric';
import { PARAMETERS } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { titrates, type MethodText } from './method-text';
import { parseTable, printedStepOf } from './pasted-table';
import { stepsOf } from './protocol-of-text';
import { textOfMethod } from './text-of-method';

/** Taken where no leaflet says it and no method is adapted (husbandry conventions; docs/decisions). */
const USUAL = {
	sampleRelativeTolerance: 0.01,
	titrantRelativeTolerance: 0.01,
	tipDropMl: 0.015,
	drops: { kind: 'drops', dropMl: 0.04, relativeTolerance: 0.03 },
	endPointDrops: 0.5
} as const;

/** What is typed, and the method it is adapted from: whatever the form does not ask for stays as it is there. */
interface Draft {
	readonly text: MethodText;
	/** Null for a new kit, and where kind or parameter were changed. */
	readonly base: Method | null;
	readonly typedBase: MethodText | null;
}

function untouched({ text, typedBase }: Draft, ...fields: readonly (keyof MethodText)[]): boolean {
	return typedBase !== null && fields.every((f) => JSON.stringify(text[f]) === JSON.stringify(typedBase[f]));
}

/** A number above zero that must be there. */
function positive(text: string, field: keyof MethodText): Result<number> {
	const value = typedNumber(text) ?? Number.NaN;
	if (Number.isNaN(value)) return fail('not-a-number', field);
	return value > 0 ? ok(value) : fail('invalid-field', field, { rule: 'above', limit: 0 });
}

function worthOf(text: MethodText): Result<Worth> {
	if (text.worthBy === 'titrant') {
		const molPerL = positive(text.molPerL, 'molPerL');
		return molPerL.ok ? ok({ by: 'titrant', molPerL: molPerL.value }) : molPerL;
	}
	if (text.worthBy === 'factor') {
		const perUnit = typedNumber(text.factor);
		if (!perUnit) return fail('worth-nothing', 'factor');
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

function titrationOf(draft: Draft): Result<Titration> {
	const { text, base } = draft;
	const known = base && titrationsOf(base)[0];
	const worth =
		known && untouched(draft, 'unit', 'worthBy', 'factor', 'points', 'table', 'tableReads', 'molPerL')
			? ok(known.worth)
			: worthOf(text);
	if (!worth.ok) return worth;
	const common = {
		parameter: text.parameter,
		titrant: known?.titrant ?? 'the titrant',
		titrantRelativeTolerance: known?.titrantRelativeTolerance ?? USUAL.titrantRelativeTolerance,
		worth: worth.value,
		colours: {
			start: { name: text.startColour.trim() || 'start', css: text.startCss },
			passing:
				known && untouched(draft, 'startCss', 'endCss')
					? known.colours.passing
					: { name: 'between the two', css: mixed(text.startCss, text.endCss) },
			end: { name: text.endColour.trim() || 'end', css: text.endCss }
		}
	};
	if (text.kind === 'drop-titration') {
		const meter = known?.meter ?? USUAL.drops;
		return ok({ ...common, endPointU: known?.endPointU ?? USUAL.endPointDrops, meter });
	}
	const capacityMl = positive(text.capacityMl, 'capacityMl');
	if (!capacityMl.ok) return capacityMl;
	const graduationMl = positive(text.graduationMl, 'graduationMl');
	if (!graduationMl.ok) return graduationMl;
	const syringe = known?.meter.kind === 'syringe' ? known.meter : null;
	return ok({
		...common,
		endPointU: known?.endPointU ?? USUAL.tipDropMl,
		meter: {
			kind: 'syringe',
			capacityMl: capacityMl.value,
			graduationMl: graduationMl.value,
			readAs: text.readAs,
			tipDropMl: syringe?.tipDropMl ?? USUAL.tipDropMl,
			headStartMl: syringe?.headStartMl ?? 0
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
		const at = typedNumber(value) ?? Number.NaN;
		if (!(at >= 0)) return fail('not-a-number', `colours.${i}`);
		steps.push({ value: at, colour: { name: name.trim() || value, css } });
	}
	if (steps.length < 2) return fail('chart-too-short', 'colours');
	const wrong = steps.findIndex((s, i) => i > 0 && s.value <= steps[i - 1]!.value);
	return wrong >= 0 ? fail('steps-not-rising', `colours.${wrong}`) : ok(steps);
}

/**
 * Which reagent is which danger only its label knows: what is ticked stands with all that are new; those that were
 * known keep their own, less what was unticked.
 */
function reagentsOf(
	steps: readonly ProtocolStep[],
	ticked: MethodText['hazards'],
	base: Method | null
): readonly Reagent[] {
	const before = base?.reagents ?? [];
	const mentioned = new Set(steps.flatMap((s) => s.reagent ?? []));
	const once = new Set(base?.steps.flatMap((s) => s.reagent ?? []));
	const added = ticked.filter((h) => !before.some((r) => r.hazards.includes(h)));
	const kept = before
		// One that no step ever named belongs to the kit all the same.
		.filter((r) => mentioned.has(r.label) || !once.has(r.label))
		.map((r) => ({ ...r, hazards: [...r.hazards.filter((h) => ticked.includes(h)), ...added] }));
	const labels = [...mentioned].filter((label) => !before.some((r) => r.label === label));
	return [
		...kept,
		...labels.map((label) => ({ label: label.slice(0, 40), what: 'as its label says', hazards: ticked }))
	].slice(0, 12);
}

function displayOf({ text, base }: Draft) {
	const resolution = positive(text.resolution, 'resolution');
	if (!resolution.ok) return resolution;
	const high = positive(text.rangeHigh, 'rangeHigh');
	if (!high.ok) return high;
	const absolute = typedNumber(text.accuracyAbsolute) ?? 0;
	const percent = typedNumber(text.accuracyPercent) ?? 0;
	if (!(absolute >= 0)) return fail('not-a-number', 'accuracyAbsolute');
	if (!(percent >= 0)) return fail('not-a-number', 'accuracyPercent');
	// Left open, the result would be as sure as the last digit: a number that nobody vouches for.
	if (absolute + percent === 0) return fail('not-a-number', 'accuracyAbsolute');
	const known = base?.kind === 'display' ? base : null;
	return ok({
		kind: 'display' as const,
		unit: text.unit,
		resolution: resolution.value,
		accuracy: { absolute, relative: Number((percent / 100).toPrecision(12)) },
		range: { low: known?.range.low ?? 0, high: high.value },
		withTemperature: known?.withTemperature ?? false
	});
}

/** How much is sampled, whole and, where it is titrated, half; null of a display that wants no measure. */
function sampleOf(text: MethodText): Result<Method['sampleMl']> {
	if (text.kind === 'display' && text.fullMl.trim() === '') return ok(null);
	const full = positive(text.fullMl, 'fullMl');
	if (!full.ok || text.halfMl.trim() === '' || !titrates(text)) {
		return full.ok ? ok({ full: full.value }) : full;
	}
	const half = positive(text.halfMl, 'halfMl');
	if (!half.ok) return half;
	return half.value < full.value
		? ok({ full: full.value, half: half.value })
		: fail('invalid-field', 'halfMl', { rule: 'below', limit: full.value });
}

/** "1:5" and "5" are the same; what is no number is no dilution. */
function dilutionsOf(text: MethodText): Result<readonly number[]> {
	const dilutions = text.dilutions.split(/[;\s]+/).flatMap((d) => typedNumber(d.replace(/^1:/, '')) ?? []);
	return dilutions.every((d) => d > 1 && d <= 100) ? ok(dilutions) : fail('not-a-number', 'dilutions');
}

/** How many tests a pack holds; null where nobody said. */
function testsOf(text: MethodText): Result<number | null> {
	const tests = typedNumber(text.tests);
	return tests === null || (Number.isInteger(tests) && tests > 0) ? ok(tests) : fail('not-a-number', 'tests');
}

/** What every method says of itself, whatever it is read by. */
function commonOf({ text, base }: Draft, from: Method | null): Result<MethodCommon> {
	const name = text.name.trim();
	if (name.length < 3) return fail('invalid-field', 'name', { rule: 'letters-at-least', limit: 3 });
	if (!unitsFor(text.parameter).includes(text.unit)) return fail('unit-unknown', 'unit');
	const sampleMl = sampleOf(text);
	if (!sampleMl.ok) return sampleMl;
	const dilutions = dilutionsOf(text);
	if (!dilutions.ok) return dilutions;
	const tests = testsOf(text);
	if (!tests.ok) return tests;
	const steps = protocol(stepsOf(text, from).map((p) => p.step));
	return ok({
		code: 'own',
		version: 1,
		name,
		parameter: text.parameter,
		species: base?.species ?? PARAMETERS[text.parameter].species,
		sampleMl: sampleMl.value,
		sampleRelativeTolerance: base?.sampleRelativeTolerance ?? USUAL.sampleRelativeTolerance,
		dilutions: dilutions.value,
		limits: base?.limits ?? { low: null, high: null },
		reagents: reagentsOf(steps, text.hazards, base),
		equipment: base?.equipment ?? [],
		steps,
		pack: { price: null, closedMonths: null, openedMonths: null, ...base?.pack, tests: tests.value }
	});
}

/** Steps of colour with how they are spaced, and whether they are held against a blank. */
function chartOf(draft: Draft) {
	const { text, base } = draft;
	const found = colourSteps(text);
	if (!found.ok) return found;
	const known = base && 'colourSteps' in base ? base : null;
	const spacing =
		known && untouched(draft, 'colours') ? known.spacing : spacingOf(found.value.map((s) => s.value));
	return ok({
		unit: text.unit,
		colourSteps: found.value,
		spacing,
		blank: known?.blank ?? text.kind === 'comparator',
		view: known?.view ?? ''
	});
}

/**
 * Turns what was typed into a method, or says which field is wrong. Code and version are the server's.
 *
 * @param from the method that it is adapted from, if any; what the form does not ask for stays as it is there
 */
export function methodOfText(text: MethodText, from: Method | null = null): Result<Method> {
	const base = from?.kind === text.kind && from.parameter === text.parameter ? from : null;
	const draft: Draft = { text, base, typedBase: base && textOfMethod(base) };
	const common = commonOf(draft, from);
	if (!common.ok) return common;
	const { kind } = text;
	switch (kind) {
		case 'syringe-titration':
		case 'drop-titration': {
			const titration = titrationOf(draft);
			return titration.ok ? ok({ ...common.value, kind, titration: titration.value }) : titration;
		}
		case 'colour-card':
		case 'comparator': {
			const chart = chartOf(draft);
			return chart.ok ? ok({ ...common.value, kind, ...chart.value }) : chart;
		}
		case 'display': {
			const display = displayOf(draft);
			return display.ok ? ok({ ...common.value, ...display.value }) : display;
		}
	}
}
