import {
	protocol,
	spacingOf,
	titrationsOf,
	unitsFor,
	type ColourStep,
	type Method,
	type MethodCommon,
	type ProtocolStep,
	type Reagent
} from '$lib/core/method';
import { typedNumber } from '$lib/core/numeric';
import { convert, PARAMETERS } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { displayOfText, scaleOfText, thermometerOfText } from './instrument-of-text';
import { hasScale, titrates, type MethodText } from './method-text';
import { stepsOf } from './protocol-of-text';
import { textOfMethod } from './text-of-method';
import { titrationOfText } from './titration-of-text';
import { every, positive, someNumber, untouched, type Draft } from './typed';

/** Taken where no leaflet says it and no method is adapted (husbandry conventions; docs/decisions). */
const USUAL_SAMPLE_TOLERANCE = 0.01;

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

/** How much is sampled, whole and, where it is titrated, half; null of an instrument that wants no measure. */
function sampleOf(text: MethodText): Result<Method['sampleMl']> {
	if (text.kind === 'thermometer' || hasScale(text.kind)) return ok(null);
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

/** Where the leaflet says that it holds, from the unit of its values to the canonical one. */
function limitsOf(draft: Draft): Result<Method['limits']> {
	const { text, base } = draft;
	if (base && untouched(draft, 'limitLow', 'limitHigh', 'unit')) return ok(base.limits);
	const end = (typed: string, field: 'limitLow' | 'limitHigh'): Result<number | null> => {
		if (typed.trim() === '') return ok(null);
		const value = someNumber(typed, field);
		if (!value.ok) return value;
		return ok(convert(value.value, text.unit, PARAMETERS[text.parameter].canonicalUnit));
	};
	return every({ low: end(text.limitLow, 'limitLow'), high: end(text.limitHigh, 'limitHigh') });
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

/** The things of a kit, one on a line. */
function thingsIn(text: string): readonly string[] {
	return text
		.split('\n')
		.map((line) => line.trim().slice(0, 120))
		.filter((line) => line !== '')
		.slice(0, 20);
}

/** How long it keeps once opened; null where nobody said. */
function openedOf(text: MethodText): Result<number | null> {
	return text.openedMonths.trim() === '' ? ok(null) : positive(text.openedMonths, 'openedMonths');
}

/** What every method says of itself, whatever it is read by. */
function commonOf(draft: Draft, from: Method | null): Result<MethodCommon> {
	const { text, base } = draft;
	const name = text.name.trim();
	if (name.length < 3) return fail('invalid-field', 'name', { rule: 'letters-at-least', limit: 3 });
	if (!unitsFor(text.parameter).includes(text.unit)) return fail('unit-unknown', 'unit');
	const parts = every({
		sampleMl: sampleOf(text),
		dilutions: dilutionsOf(text),
		limits: limitsOf(draft),
		tests: testsOf(text),
		openedMonths: openedOf(text)
	});
	if (!parts.ok) return parts;
	const { tests, openedMonths, ...own } = parts.value;
	const steps = protocol(stepsOf(text, from).map((p) => p.step));
	return ok({
		code: 'own',
		version: 1,
		name,
		parameter: text.parameter,
		species: text.species.trim().slice(0, 40) || PARAMETERS[text.parameter].species,
		...own,
		sampleRelativeTolerance: base?.sampleRelativeTolerance ?? USUAL_SAMPLE_TOLERANCE,
		reagents: reagentsOf(steps, text.hazards, base),
		equipment: thingsIn(text.equipment),
		steps,
		pack: { price: null, closedMonths: null, ...base?.pack, tests, openedMonths }
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
		blank: text.blank,
		view: text.view.trim().slice(0, 200)
	});
}

/** The first or the second titration of the draft. */
function theTitration({ text, base, typedBase }: Draft, which: 0 | 1) {
	return titrationOfText({
		kind: text.kind,
		parameter: which === 0 ? text.parameter : text.second.parameter,
		text: which === 0 ? text : text.second,
		known: base ? titrationsOf(base)[which] : undefined,
		typedBefore: which === 0 ? typedBase : (typedBase?.second ?? null),
		path: which === 0 ? '' : 'second.'
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
		case 'drop-titration':
		case 'back-titration': {
			const titration = theTitration(draft, 0);
			return titration.ok ? ok({ ...common.value, kind, titration: titration.value }) : titration;
		}
		case 'paired-titration': {
			const both = every({ titration: theTitration(draft, 0), second: theTitration(draft, 1) });
			return both.ok ? ok({ ...common.value, kind, ...both.value }) : both;
		}
		case 'difference': {
			const titration = theTitration(draft, 0);
			const subtract = { parameter: 'calcium', by: text.subtractBy } as const;
			return titration.ok ? ok({ ...common.value, kind, subtract, titration: titration.value }) : titration;
		}
		case 'colour-card':
		case 'comparator': {
			const chart = chartOf(draft);
			return chart.ok ? ok({ ...common.value, kind, ...chart.value }) : chart;
		}
		case 'display': {
			const display = displayOfText(draft);
			return display.ok ? ok({ ...common.value, ...display.value }) : display;
		}
		case 'scale-line':
		case 'float': {
			const scale = scaleOfText(draft, kind);
			return scale.ok ? ok({ ...common.value, ...scale.value }) : scale;
		}
		case 'thermometer': {
			const thermometer = thermometerOfText(draft);
			return thermometer.ok ? ok({ ...common.value, ...thermometer.value }) : thermometer;
		}
	}
}
