import {
	AddItem,
	DecideCheck,
	DeriveItem,
	FinishCheck,
	NOTE_ITEM,
	NOTE_KINDS,
	SHELF_KINDS,
	type NoteItem
} from '$lib/contract/shelf';
import { convert, convertSpan, PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
import { fail, type Result } from '$lib/core/result';
import { COVERAGE } from '$lib/core/uncertainty';
import { typedDay } from '$lib/core/time';
import { reader } from '$lib/format/reader';
import { typedInstant, type FormContext } from './event-form.ts';
import { numberIn, typedText } from './form.ts';
import { validate } from './validator.ts';

/** A day in a field, taken at noon so that no zone moves it; null where it is empty. */
function day(form: FormData, name: string, timeZone: string): number | null {
	const text = typedText(form.get(name));
	return text === '' ? null : typedInstant(`${typedDay(text, reader().dates, null) ?? text}T12:00`, timeZone);
}

/** What a standard holds: a value and its expanded uncertainty for each parameter that is filled in. */
function contentsOf(form: FormData, { units }: FormContext) {
	return PARAMETER_IDS.flatMap((parameter) => {
		const value = numberIn(form.get(`content.${parameter}`));
		if (value === null) return [];
		const { canonicalUnit } = PARAMETERS[parameter];
		const known = convert(value, units[parameter], canonicalUnit);
		const expanded = numberIn(form.get(`u.${parameter}`));
		// As the label says it; without a word of it one per cent, and never nothing.
		const u =
			expanded === null
				? Math.max(0.01 * Math.abs(known), 1e-4)
				: convertSpan(expanded, units[parameter], canonicalUnit) / COVERAGE;
		return [{ parameter, value: Number(known.toPrecision(12)), u: Number(u.toPrecision(6)) }];
	});
}

function bottlesOf(form: FormData) {
	return form.getAll('bottle').flatMap((name) => {
		const reagent = typedText(name);
		const full = numberIn(form.get(`full.${reagent}`));
		return full === null ? [] : [{ reagent, unit: typedText(form.get(`unit.${reagent}`)), full }];
	});
}

/** "code/reagent" of a select; null where it belongs to none. */
function ownerOf(text: string) {
	const at = text.indexOf('/');
	return at < 0 ? null : { methodCode: text.slice(0, at), reagent: text.slice(at + 1) };
}

/** Turns the form of a new thing into a command, or says which field is wrong. */
export function itemOfForm(form: FormData, context: FormContext): Result<AddItem> {
	const kind = SHELF_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'missing' });
	const [methodCode, version] = typedText(form.get('method')).split('@');
	return validate(AddItem, {
		id: typedText(form.get('id')),
		waterId: context.waterId,
		kind,
		name: typedText(form.get('name')),
		lotCode: typedText(form.get('lotCode')),
		methodCode: methodCode ? methodCode : null,
		methodVersion: version ? Number(version) : null,
		price: numberIn(form.get('price')),
		boughtAt: day(form, 'boughtAt', context.timeZone),
		expiresAt: day(form, 'expiresAt', context.timeZone),
		details: {
			tests: numberIn(form.get('tests')),
			bottles: bottlesOf(form),
			contents: kind === 'standard' ? contentsOf(form, context) : [],
			recipe: null,
			belongsTo: ownerOf(typedText(form.get('belongsTo')))
		}
	});
}

/** What a note of one kind needs besides its time. */
function noteDetails(kind: NoteItem['kind'], form: FormData): unknown {
	const reagent = typedText(form.get('reagent'));
	const number = (name: string) => numberIn(form.get(name));
	switch (kind) {
		case 'opened':
			return { sameLeaflet: form.get('sameLeaflet') === 'yes' };
		case 'counted':
			return { reagent, amount: number('amount') };
		case 'dropper':
			return { reagent, state: typedText(form.get('state')) };
		case 'drop-size':
			return {
				reagent,
				trial:
					form.get('by') === 'mark'
						? { by: 'mark', drops: number('drops'), ml: number('ml'), uMl: number('uMl') }
						: {
								by: 'weighing',
								drops: number('drops'),
								massG: number('massG'),
								uMassG: number('uMassG'),
								densityGPerMl: number('densityGPerMl')
							}
			};
		case 'put-back':
			return { reagent };
		default:
			return {};
	}
}

/** Turns a note's form into a command. @param now where no time is given */
export function noteOfForm(
	form: FormData,
	itemId: string,
	context: FormContext,
	now: number
): Result<NoteItem> {
	const kind = NOTE_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'missing' });
	const typed = typedText(form.get('happenedAt'));
	return validate(NOTE_ITEM[kind], {
		id: typedText(form.get('id')),
		waterId: context.waterId,
		itemId,
		kind,
		happenedAt: typed === '' ? now : typedInstant(typed, context.timeZone),
		details: noteDetails(kind, form),
		note: typedText(form.get('note'))
	});
}

export function finishOfForm(form: FormData, itemId: string, waterId: string): Result<FinishCheck> {
	return validate(FinishCheck, {
		id: typedText(form.get('id')),
		waterId,
		itemId,
		parameter: typedText(form.get('parameter')),
		runIds: form.getAll('run').map(typedText)
	});
}

export function decisionOfForm(form: FormData, waterId: string): Result<DecideCheck> {
	return validate(DecideCheck, {
		id: typedText(form.get('id')),
		waterId,
		checkId: typedText(form.get('checkId')),
		decision: typedText(form.get('decision')),
		span: typedText(form.get('span')) || 'all',
		retire: form.get('retire') === 'yes',
		note: typedText(form.get('note'))
	});
}

export function deriveOfForm(form: FormData, itemId: string, waterId: string): Result<DeriveItem> {
	return validate(DeriveItem, { id: typedText(form.get('id')), waterId, itemId });
}
