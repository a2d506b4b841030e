import { error, redirect } from '@sveltejs/kit';
import { statedRunOfForm } from '$lib/server/validation/stated-form';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return { id: locals.services.newId(), parameter: url.searchParams.get('parameter') ?? '' };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const command = statedRunOfForm(form, {
			waterId: open.water.id,
			timeZone: open.scope.timeZone,
			newId: locals.services.newId
		});
		const outcome = command.ok ? await locals.services.saveTestRun(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/log`);
	}
} satisfies Actions;
