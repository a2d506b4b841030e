import { redirect } from '@sveltejs/kit';
import { SetLimit } from '$lib/contract/adjust';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	return {
		limits: await locals.services.correction.readLimits(open.scope, open.water),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const context = formContext(locals, open);
		const command = commandOfForm(SetLimit, form, context, { waterId: open.water.id });
		const outcome = command.ok
			? await locals.services.correction.setLimit(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/adjust/limits`);
	}
} satisfies Actions;
