import { error, redirect } from '@sveltejs/kit';
import { houseOf } from '$lib/server/house';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	if (!locals.accounts || locals.isDemo) error(404, { message: 'There is no such page.', code: 'not-found' });
	if (!locals.person) redirect(307, '/');
	return { house: await houseOf(process.env.TEVRIK_HOUSE_DOOR) };
}) satisfies PageServerLoad;
