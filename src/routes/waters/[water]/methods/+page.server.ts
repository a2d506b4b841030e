import { fail, redirect } from '@sveltejs/kit';
import { faultAt } from '$lib/format/faults/faults';
import { methodOfFile, MOST_FILE_BYTES } from '$lib/server/validation/method';
import { typedText } from '$lib/server/validation/form';
import { askedWater } from '../../../asked-water';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	return {
		methods: await locals.services.method.readMethods(open.scope),
		mostBytes: MOST_FILE_BYTES,
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const file = form.get('file');
		if (!(file instanceof File) || file.size === 0) return fail(400, { text: 'Choose a method file first.' });
		const read = methodOfFile(await file.text());
		const outcome = read.ok
			? await locals.services.method.saveMethod(open.scope, {
					id: typedText(form.get('id')),
					waterId: open.water.id,
					method: read.value,
					revises: null
				})
			: read;
		if (!outcome.ok) return fail(400, { text: faultAt(outcome.fault) });
		redirect(303, `/waters/${params.water}/methods/${outcome.value.code}`);
	}
} satisfies Actions;
