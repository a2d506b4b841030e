import { error } from '@sveltejs/kit';
import { plainEntries } from '$lib/server/validation/form';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		daily: await locals.services.ask('daily', open),
		wish: plainEntries(url.searchParams)
	};
}) satisfies PageServerLoad;
