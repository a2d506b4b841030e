import { type EventKind, NEW_WATER_U } from '$lib/core/record';
import { EVENT_KINDS, RECORD_EVENT, type RecordEvent } from '$lib/contract/event';
import { convert, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, type Result } from '$lib/core/result';
import { instantOfLocal, offsetMinutes, typedMoment } from '$lib/core/time';
import { reader } from '$lib/format/reader';
import { numberIn, typedText } from './form.ts';
import { validate } from './validator.ts';

export interface FormContext {
	readonly waterId: string;
	readonly timeZone: string;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
}

function canonical(parameter: ParameterId, value: number, units: FormContext['units']): number {
	return Number(convert(value, units[parameter], PARAMETERS[parameter].canonicalUnit).toPrecision(12));
}

function perParameter<T>(
	form: FormData,
	prefix: string,
	make: (parameter: ParameterId, value: number) => T
): T[] {
	return PARAMETER_IDS.flatMap((parameter) => {
		const value = numberIn(form.get(`${prefix}.${parameter}`));
		return value === null ? [] : [make(parameter, value)];
	});
}

function detailsOf(kind: EventKind, form: FormData, units: FormContext['units']): unknown {
	const supplement = typedText(form.get('details.supplement'));
	const strength = () =>
		perParameter(form, 'details.strength', (parameter, value) => ({
			parameter,
			risePerMlIn100L: canonical(parameter, value, units)
		}));
	switch (kind) {
		case 'dose':
			return { supplement, amountMl: numberIn(form.get('details.amountMl')), strength: strength() };
		case 'recurring-dose':
			return {
				supplement,
				amountMlPerDay: numberIn(form.get('details.amountMlPerDay')),
				strength: strength()
			};
		case 'recurring-dose-missed':
			return { supplement, days: numberIn(form.get('details.days')) };
		case 'water-change':
			return {
				volumeL: numberIn(form.get('details.volumeL')),
				batch: typedText(form.get('details.batch')),
				newWater: perParameter(form, 'details.newWater', (parameter, value) => ({
					parameter,
					value: canonical(parameter, value, units),
					u: NEW_WATER_U[parameter]
				}))
			};
		case 'new-mix':
			return {
				batch: typedText(form.get('details.batch')),
				saltLot: typedText(form.get('details.saltLot')),
				volumeL: numberIn(form.get('details.volumeL'))
			};
		default:
			return {};
	}
}

/** Reads a day and a time as their reader types them; NaN, which every schema refuses, where they are none. */
export function typedInstant(text: string, timeZone: string): number {
	try {
		return instantOfLocal(typedMoment(text, reader().dates, null) ?? text, timeZone);
	} catch {
		return Number.NaN;
	}
}

/** Turns the entry form into a command, or says which field is wrong. */
export function eventOfForm(form: FormData, context: FormContext): Result<RecordEvent> {
	const kind = EVENT_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'word' });
	const happenedAt = typedInstant(typedText(form.get('happenedAt')), context.timeZone);
	if (Number.isNaN(happenedAt)) return fail('invalid-field', 'happenedAt', { rule: 'date-and-time' });
	const note = typedText(form.get('note'));
	const needsNote = kind === 'note' && note === '';
	if (needsNote) return fail('invalid-field', 'note', { rule: 'missing' });
	return validate(RECORD_EVENT[kind], {
		id: typedText(form.get('id')),
		waterId: context.waterId,
		kind,
		happenedAt,
		offsetMinutes: offsetMinutes(happenedAt as never, context.timeZone),
		details: detailsOf(kind, form, context.units),
		note
	});
}
