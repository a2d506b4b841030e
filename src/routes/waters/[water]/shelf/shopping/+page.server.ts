import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return { shelf: await locals.services.ask('shelf', open, locals.preferences) };
}) satisfies PageServerLoad;
