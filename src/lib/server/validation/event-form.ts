import { EVENT_KINDS } from '$lib/core/record';
import { RECORD_EVENT, type RecordEvent } from '$lib/contract/event';
import { NEW_WATER_U, type WaterChange } from '$lib/core/record';
import { fail, type Result } from '$lib/core/result';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { commandOfForm, type WaterFormContext } from './command-of-form.ts';
import { typedText } from './form.ts';

/** Until the test of new water itself is named, it is known as the keeper's kits usually tell it. */
function withUncertainty(details: unknown): unknown {
	const { newWater } = details as Partial<WaterChange>;
	if (!newWater) return details;
	return { ...(details as object), newWater: newWater.map((n) => ({ ...n, u: NEW_WATER_U[n.parameter] })) };
}

/** Turns the entry form into a command, or says which field is wrong. */
export function eventOfForm(form: FormData, context: WaterFormContext): Result<RecordEvent> {
	const kind = EVENT_KINDS.find((k) => k === form.get('kind'));
	if (!kind) return fail('invalid-field', 'kind', { rule: 'word' });
	if (kind === 'note' && typedText(form.get('note')) === '') {
		return fail('invalid-field', 'note', { rule: 'missing' });
	}
	const schema = RECORD_EVENT[kind] as (typeof RECORD_EVENT)['note'];
	return commandOfForm(schema, form, context, { waterId: context.waterId, kind }, (read) => ({
		offsetMinutes: offsetMinutes(read.happenedAt as Instant, context.timeZone),
		details: withUncertainty(read.details)
	})) as Result<RecordEvent>;
}
