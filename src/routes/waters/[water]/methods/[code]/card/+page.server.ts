import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	const found = open && (await locals.services.method.readMethod(open.scope, params.code));
	if (!found) error(404, { message: 'There is no such method.', code: 'not-found' });
	return { method: found.method };
}) satisfies PageServerLoad;
