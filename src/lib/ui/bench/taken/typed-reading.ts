import { titrationsOf, type Meter, type Method, type Portion, type StepStatement } from '$lib/core/method';
import { nearlyEqual, typedNumber } from '$lib/core/numeric';
import { PARAMETERS, UNITS } from '$lib/core/quantity';
import { marksAround, type RawReading } from '$lib/core/reading';
import type { Fault } from '$lib/core/result';
import { plain } from '$lib/format/number';
import { readingOf, type ReadingDraft, type TitrationDraft } from '$lib/ui/shared/reading-draft';

/** One field of a reading that is typed. */
export interface TakenField {
	readonly id: string;
	/** What is read there: "left in the syringe". */
	readonly label: string;
	readonly unit: string;
	readonly hint: string;
	/** Left empty, it is as if nobody looked. */
	readonly optional: boolean;
}

const TEMPERATURE: TakenField = {
	id: 'temperature',
	label: 'temperature beside it',
	unit: '°C',
	hint: '',
	optional: true
};

function titrationField(meter: Meter, which: number, name: string): TakenField {
	const id = `titration${which}`;
	if (meter.kind === 'drops')
		return { id, label: `${name}drops`, unit: '', hint: '12, or 12-13', optional: false };
	return {
		id,
		label: `${name}${meter.readAs === 'left' ? 'left in the syringe' : 'used of the syringe'}`,
		unit: 'mL',
		hint: meter.readAs === 'left' ? '0.47' : plain(meter.capacityMl - 0.47),
		optional: false
	};
}

/** What is typed of a test; empty where its reading needs more than numbers. */
export function fieldsOf(method: Method): readonly TakenField[] {
	switch (method.kind) {
		case 'syringe-titration':
		case 'drop-titration':
		case 'back-titration':
		case 'paired-titration': {
			const all = titrationsOf(method);
			return all.map((t, i) =>
				titrationField(t.meter, i, all.length > 1 ? `${PARAMETERS[t.parameter].name}: ` : '')
			);
		}
		case 'comparator':
		case 'colour-card': {
			const steps = method.colourSteps.map((s) => s.value);
			return [
				{
					id: 'step',
					label: 'step of the card',
					unit: UNITS[method.unit].symbol,
					hint: `${steps.slice(0, 3).map(plain).join(', ')} …, or ${plain(steps[0]!)}-${plain(steps[1]!)}`,
					optional: false
				}
			];
		}
		case 'display':
			return [
				{ id: 'shown', label: 'on the display', unit: UNITS[method.unit].symbol, hint: '', optional: false },
				...(method.withTemperature ? [TEMPERATURE] : [])
			];
		case 'thermometer':
			return [{ id: 'line', label: 'where it stands', unit: '°C', hint: '', optional: false }];
		case 'float':
			return [
				{ id: 'line', label: 'at the line', unit: '', hint: '1.025', optional: false },
				{ ...TEMPERATURE, label: 'temperature in the jar' }
			];
		case 'scale-line':
			return [{ id: 'line', label: 'at the line', unit: '', hint: '1.025', optional: false }];
		default:
			return [];
	}
}

/** A test whose reading is numbers alone. */
export const isTypeable = (method: Method): boolean => fieldsOf(method).length > 0;

/** "12" or "12-13": both ends. NaN where it is neither. */
function span(text: string): readonly [number, number] | null {
	const parts = text.split(/[-–]/).map((part) => typedNumber(part));
	if (parts.length === 1) return parts[0] == null ? null : [parts[0], parts[0]];
	const [low, high] = parts;
	if (parts.length !== 2 || low == null || high == null) return [Number.NaN, Number.NaN];
	return [Math.min(low, high), Math.max(low, high)];
}

const notANumber = (field: string): Fault => ({ code: 'not-a-number', field });

/** A step as it is printed, or the two that it lies between; "<" and ">" the card's ends. */
function stepIn(steps: readonly number[], text: string): StepStatement | null {
	if (text.trim().startsWith('<')) return { kind: 'below' };
	if (text.trim().startsWith('>')) return { kind: 'above' };
	const ends = span(text);
	if (!ends) return null;
	const [low, high] = ends;
	const index = steps.findIndex((s) => nearlyEqual(s, low));
	if (index < 0) return null;
	if (low === high) return { kind: 'on', index };
	const next = steps[index + 1];
	return next !== undefined && nearlyEqual(next, high) ? { kind: 'between', index } : null;
}

function titrationIn(
	meter: Meter,
	before: TitrationDraft,
	ends: readonly [number, number]
): TitrationDraft | Fault {
	const [low, high] = ends;
	if (meter.kind === 'drops') {
		if (!Number.isInteger(low) || !Number.isInteger(high) || low < 0) return { code: 'no-drops' };
		return { ...before, least: low, most: high === low ? null : high };
	}
	const [lowerMl, upperMl] = low === high ? marksAround(low, meter.graduationMl) : [low, high];
	if (low < 0 || upperMl > meter.capacityMl + 1e-9)
		return { code: 'beyond-syringe', details: { capacityMl: meter.capacityMl } };
	return {
		...before,
		readAs: meter.readAs,
		fills: [{ startMl: meter.capacityMl, end: { lowerMl, upperMl } }]
	};
}

/** What was typed of a reading. */
export interface Typed {
	/** Null while something of it is not typed yet. */
	readonly reading: RawReading | null;
	/** What cannot be meant. */
	readonly fault: Fault | null;
}

/**
 * Reads what was typed of a test.
 *
 * @param draft an empty reading of this method, with the person's habits
 * @param typed by the ids of its fields
 */
export function typedReading(
	method: Method,
	portion: Portion,
	draft: ReadingDraft,
	typed: Readonly<Record<string, string>>
): Typed {
	const nothing: Typed = { reading: null, fault: null };
	const done = (read: ReadingDraft): Typed => ({ reading: readingOf(method, portion, read), fault: null });
	const refuse = (fault: Fault): Typed => ({ reading: null, fault });
	const text = (id: string) => (typed[id] ?? '').trim();
	const warmth = typedNumber(text('temperature'));
	if (Number.isNaN(warmth)) return refuse(notANumber('temperatureC'));
	switch (method.kind) {
		case 'syringe-titration':
		case 'drop-titration':
		case 'back-titration':
		case 'paired-titration': {
			const titrations: TitrationDraft[] = [];
			for (const [i, { meter }] of titrationsOf(method).entries()) {
				const ends = span(text(`titration${i}`));
				if (!ends) return nothing;
				if (ends.some(Number.isNaN)) return refuse(notANumber('reading'));
				const read = titrationIn(meter, draft.titrations[i]!, ends);
				if ('code' in read) return refuse(read);
				titrations.push(read);
			}
			return done({ ...draft, titrations });
		}
		case 'comparator':
		case 'colour-card': {
			if (text('step') === '') return nothing;
			const at = stepIn(
				method.colourSteps.map((s) => s.value),
				text('step')
			);
			return at ? done({ ...draft, at }) : refuse({ code: 'no-such-step', field: 'at' });
		}
		case 'display': {
			const said = text('shown');
			if (said === '') return nothing;
			if (/^[<>]/.test(said)) return done({ ...draft, shown: said.startsWith('>') ? 'over' : 'under' });
			const shown = typedNumber(said);
			if (shown === null || Number.isNaN(shown)) return refuse(notANumber('shown'));
			return done({ ...draft, shown, temperatureC: warmth });
		}
		case 'thermometer':
		case 'float':
		case 'scale-line': {
			const ends = span(text('line'));
			if (!ends) return nothing;
			if (ends.some(Number.isNaN)) return refuse(notANumber('reading'));
			const graduation = method.kind === 'thermometer' ? method.graduationC : method.scale.graduation;
			const [lower, upper] = ends[0] === ends[1] ? marksAround(ends[0], graduation) : ends;
			return done({ ...draft, lower, upper, temperatureC: warmth });
		}
		default:
			return nothing;
	}
}
