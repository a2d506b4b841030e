import { error, redirect } from '@sveltejs/kit';
import { SetLimit } from '$lib/contract/adjust';
import { commandOfForm } from '$lib/server/validation/command-of-form';
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
		const context = { timeZone: open.scope.timeZone, units: locals.preferences.units };
		const command = commandOfForm(SetLimit, form, context, { waterId: open.water.id });
		const outcome = command.ok ? await locals.services.setLimit(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/adjust/limits`);
	}
} satisfies Actions;
