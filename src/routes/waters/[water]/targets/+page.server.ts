import { error, redirect } from '@sveltejs/kit';
import { SetTarget } from '$lib/contract/target';
import { PARAMETERS } from '$lib/core/quantity';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		targets: await locals.services.targetsOf(open.scope, open.water.id),
		profile: url.searchParams.get('profile'),
		ids: Object.fromEntries(Object.keys(PARAMETERS).map((p) => [p, locals.services.newId()]))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const context = { timeZone: open.scope.timeZone, units: locals.preferences.units };
		const command = commandOfForm(SetTarget, form, context, { waterId: open.water.id });
		const outcome = command.ok ? await locals.services.setTarget(open.scope, command.value) : command;
		if (!outcome.ok) {
			return refused(form, outcome.fault);
		}
		redirect(303, `/waters/${params.water}/targets`);
	}
} satisfies Actions;
