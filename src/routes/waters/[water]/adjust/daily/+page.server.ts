import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		daily: await locals.services.readDaily(open.scope, open.water),
		wish: Object.fromEntries(url.searchParams)
	};
}) satisfies PageServerLoad;
