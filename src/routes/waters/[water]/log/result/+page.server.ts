import { error, fail, redirect } from '@sveltejs/kit';
import { faultText } from '$lib/format/faults';
import { entered } from '$lib/server/validation/form';
import { statedRunOfForm } from '$lib/server/validation/stated-form';
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
		if (!outcome.ok) {
			const { fault } = outcome;
			return fail(fault.code === 'id-taken' ? 409 : 400, {
				entered: entered(form),
				field: (fault.field ?? '').replace(/^reading\./, ''),
				text: faultText(fault)
			});
		}
		redirect(303, `/waters/${params.water}/log`);
	}
} satisfies Actions;
