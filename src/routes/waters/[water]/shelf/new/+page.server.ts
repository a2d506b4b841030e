import { redirect } from '@sveltejs/kit';
import { itemOfForm } from '$lib/server/validation/shelf-form';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const methods = await locals.services.method.readMethods(open.scope);
	return {
		methods: methods.map((m) => m.method),
		kind: url.searchParams.get('kind'),
		code: url.searchParams.get('method'),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = itemOfForm(form, formContext(locals, open));
		const outcome = command.ok ? await locals.services.shelf.addToShelf(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/shelf/${outcome.value.itemId}`);
	}
} satisfies Actions;
