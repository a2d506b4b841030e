import { error, redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	if (!locals.person) error(401, { message: 'You are not signed in.', code: 'not-signed-in' });
	const waterId = await locals.services.firstWater(locals.person);
	if (!waterId)
		error(404, { message: 'You are not a member of any site with a water yet.', code: 'not-found' });
	redirect(307, `/waters/${waterId}/today`);
}) satisfies PageServerLoad;
