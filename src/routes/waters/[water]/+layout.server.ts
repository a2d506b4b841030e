import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		water: open.water,
		siblings: open.siblings,
		timeZone: open.scope.timeZone,
		now: locals.services.clock.now()
	};
}) satisfies LayoutServerLoad;
