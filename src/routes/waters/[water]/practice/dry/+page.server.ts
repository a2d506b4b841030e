import { error } from '@sveltejs/kit';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { methods, stepNotes } = await locals.services.practice.readPractice(open.scope);
	const method = methods.find((m) => m.code === url.searchParams.get('kit')) ?? methods[0];
	if (!method)
		error(404, {
			message: 'No kit of this house can be practised. Choose your kits first.',
			code: 'not-found'
		});
	return { method, stepNotes };
}) satisfies PageServerLoad;
