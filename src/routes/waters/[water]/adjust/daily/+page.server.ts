import { plainEntries } from '$lib/server/validation/form';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	return {
		daily: await locals.services.ask('daily', open),
		wish: plainEntries(url.searchParams)
	};
}) satisfies PageServerLoad;
