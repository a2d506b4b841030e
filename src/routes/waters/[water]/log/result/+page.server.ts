import { redirect } from '@sveltejs/kit';
import { statedRunOfForm } from '$lib/server/validation/stated-form';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	await askedWater(locals, params);
	return { id: locals.services.newId(), parameter: url.searchParams.get('parameter') ?? '' };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = statedRunOfForm(form, formContext(locals, open), locals.services.newId);
		const outcome = command.ok
			? await locals.services.reading.saveTestRun(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/log`);
	}
} satisfies Actions;
