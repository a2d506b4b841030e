import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	return {
		batches: await locals.services.correction.readBatches(open.scope),
		purified: (await locals.services.purified.readPurified(open.scope)).state,
		wish: {
			litres: url.searchParams.get('litres') ?? '',
			salinity: url.searchParams.get('salinity') ?? '35'
		}
	};
}) satisfies PageServerLoad;
