import { error, redirect } from '@sveltejs/kit';
import { itemOfForm } from '$lib/server/validation/shelf-form';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const methods = await locals.services.readMethods(open.scope);
	return {
		methods: methods.map((m) => m.method),
		kind: url.searchParams.get('kind'),
		code: url.searchParams.get('method'),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const command = itemOfForm(form, {
			waterId: open.water.id,
			timeZone: open.scope.timeZone,
			units: locals.preferences.units
		});
		const outcome = command.ok ? await locals.services.addToShelf(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/shelf/${outcome.value.itemId}`);
	}
} satisfies Actions;
