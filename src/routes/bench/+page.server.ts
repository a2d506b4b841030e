import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** The bench of one's first water: what a shortcut on a phone opens. */
export const load = (async ({ locals }) => {
	const waterId = locals.person ? await locals.services.water.firstWater(locals.person) : null;
	redirect(307, waterId ? `/waters/${waterId}/bench` : '/');
}) satisfies PageServerLoad;
