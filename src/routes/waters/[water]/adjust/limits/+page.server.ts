import { error, redirect } from '@sveltejs/kit';
import { SetLimit } from '$lib/contract/adjust';
import { numberIn, typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		limits: await locals.services.readLimits(open.scope, open.water),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ locals, params, request }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const command = validate(SetLimit, {
			id: typedText(form.get('id')),
			waterId: open.water.id,
			parameter: typedText(form.get('parameter')),
			direction: typedText(form.get('direction')),
			perDay: numberIn(form.get('perDay')),
			reason: typedText(form.get('reason'))
		});
		const outcome = command.ok ? await locals.services.setLimit(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/adjust/limits`);
	}
} satisfies Actions;
