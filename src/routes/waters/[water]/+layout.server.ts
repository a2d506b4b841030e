import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	// Asked anew on every page, wherever one comes from: they may have passed, or have come up.
	void url.pathname;
	let dangers: Awaited<ReturnType<typeof locals.services.readDangers>> = [];
	try {
		dangers = await locals.services.readDangers(open.scope, open.water);
	} catch (fault) {
		// A water that cannot be judged says so on the pages that judge it; its log has to open all the same.
		if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
	}
	return {
		dangers,
		water: open.water,
		siblings: open.siblings,
		timeZone: open.scope.timeZone,
		now: locals.services.clock.now()
	};
}) satisfies LayoutServerLoad;
