import { redirect } from '@sveltejs/kit';
import { NotePurified } from '$lib/contract/purified';
import { STAGES_OF_UNIT, UNIT_PARTS } from '$lib/core/purified';
import { numberIn, typedText } from '$lib/server/validation/form';
import { typedInstant } from '$lib/server/validation/typed-instant';
import { validate } from '$lib/server/validation/validator';
import { fail as fault } from '$lib/core/result';
import { askedWater, formContext } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	return { ...(await services.purified.readPurified(open.scope)), id: services.newId() };
}) satisfies PageServerLoad;

/** The places at which something was typed; NaN, which the schema refuses, where it is no number. */
function readingsOf(form: FormData): readonly object[] {
	const unit = typedText(form.get('unit')) || 'us-per-cm';
	return STAGES_OF_UNIT.flatMap((stage) => {
		const value = numberIn(form.get(stage));
		return value === null ? [] : [{ kind: 'reading', stage, value, unit }];
	});
}

export const actions = {
	default: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const { timeZone } = formContext(locals, open);
		const typed = typedText(form.get('happenedAt'));
		const happenedAt = typed === '' ? locals.services.clock.now() : typedInstant(typed, timeZone);
		const changed = form.getAll('changed').map(typedText);
		const facts = [
			...readingsOf(form),
			...UNIT_PARTS.filter((p) => changed.includes(p)).map((part) => ({ kind: 'changed', part }))
		];
		const wrong = STAGES_OF_UNIT.find((stage) => Number.isNaN(numberIn(form.get(stage)) ?? 0));
		const command = wrong
			? fault('not-a-number', wrong)
			: happenedAt === null
				? fault('invalid-field', 'happenedAt', { rule: 'date-and-time' })
				: facts.length === 0
					? fault('invalid-field', 'after-resin', { rule: 'missing' })
					: validate(NotePurified, {
							id: typedText(form.get('id')),
							waterId: open.water.id,
							happenedAt,
							facts,
							note: typedText(form.get('note'))
						});
		const outcome = command.ok
			? await locals.services.purified.notePurified(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/purified`);
	}
} satisfies Actions;
