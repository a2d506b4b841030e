import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		batches: await locals.services.readBatches(open.scope),
		wish: {
			litres: url.searchParams.get('litres') ?? '',
			salinity: url.searchParams.get('salinity') ?? '35'
		}
	};
}) satisfies PageServerLoad;
