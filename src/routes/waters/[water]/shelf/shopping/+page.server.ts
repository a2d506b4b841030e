import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	return { shelf: await locals.services.ask('shelf', open, locals.preferences) };
}) satisfies PageServerLoad;
