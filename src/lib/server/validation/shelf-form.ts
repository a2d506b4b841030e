import {
	AddItem,
	DecideCheck,
	DeriveItem,
	FinishCheck,
	NOTE_ITEM,
	NOTE_KINDS,
	type NoteItem
} from '$lib/contract/shelf';
import { SHELF_KINDS } from '$lib/contract/choices';
import { convert, convertSpan, PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
import { fail, type Result } from '$lib/core/result';
import { COVERAGE } from '$lib/core/uncertainty';
import { commandOfForm, type FormContext, type WaterFormContext } from './command-of-form.ts';
import { numberIn, typedText } from './form.ts';

/** Whose thing it is, and how what is typed is understood. */
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
export function itemOfForm(form: FormData, context: WaterFormContext): Result<AddItem> {
	const kind = SHELF_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'missing' });
	const [methodCode, version] = typedText(form.get('method')).split('@');
	return commandOfForm(AddItem, form, context, {
		waterId: context.waterId,
		kind,
		methodCode: methodCode ? methodCode : null,
		methodVersion: version ? Number(version) : null,
		details: {
			tests: numberIn(form.get('tests')),
			bottles: bottlesOf(form),
			contents: kind === 'standard' ? contentsOf(form, context) : [],
			recipe: null,
			belongsTo: ownerOf(typedText(form.get('belongsTo')))
		}
	});
}

/** Turns a note's form into a command. @param now where no time is given */
export function noteOfForm(
	form: FormData,
	itemId: string,
	context: WaterFormContext,
	now: number
): Result<NoteItem> {
	const kind = NOTE_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'missing' });
	const schema = NOTE_ITEM[kind] as (typeof NOTE_ITEM)['retired'];
	const isNow = typedText(form.get('happenedAt')) === '';
	const given = { waterId: context.waterId, itemId, kind, ...(isNow ? { happenedAt: now } : {}) };
	return commandOfForm(schema, form, context, given) as Result<NoteItem>;
}

export function finishOfForm(form: FormData, itemId: string, context: WaterFormContext): Result<FinishCheck> {
	const runIds = form.getAll('run').map(typedText);
	return commandOfForm(FinishCheck, form, context, { waterId: context.waterId, itemId, runIds });
}

export function decisionOfForm(form: FormData, context: WaterFormContext): Result<DecideCheck> {
	return commandOfForm(DecideCheck, form, context, { waterId: context.waterId }, ({ span }) => ({
		span: span || 'all'
	}));
}

export function deriveOfForm(form: FormData, itemId: string, context: WaterFormContext): Result<DeriveItem> {
	return commandOfForm(DeriveItem, form, context, { waterId: context.waterId, itemId });
}
