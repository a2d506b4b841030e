import { redirect } from '@sveltejs/kit';
import { SetTarget } from '$lib/contract/target';
import { PARAMETERS } from '$lib/core/quantity';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { askedWater, formContext } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	return {
		targets: await locals.services.water.targetsOf(open.scope, open.water.id),
		profile: url.searchParams.get('profile'),
		ids: Object.fromEntries(Object.keys(PARAMETERS).map((p) => [p, locals.services.newId()]))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const context = formContext(locals, open);
		const command = commandOfForm(SetTarget, form, context, { waterId: open.water.id });
		const outcome = command.ok ? await locals.services.water.setTarget(open.scope, command.value) : command;
		if (!outcome.ok) {
			return refused(form, outcome.fault);
		}
		redirect(303, `/waters/${params.water}/targets`);
	}
} satisfies Actions;
