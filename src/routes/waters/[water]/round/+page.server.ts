import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const chosen = url.searchParams.getAll('tank');
	const { lines, round } = await locals.services.visitor.planRound(open, chosen, locals.preferences);
	return { lines, round };
}) satisfies PageServerLoad;
