import { error, redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	if (!locals.person) {
		if (locals.accounts) redirect(307, '/sign-in');
		error(401, { message: 'You are not signed in.', code: 'not-signed-in' });
	}
	const waterId = await locals.services.water.firstWater(locals.person);
	if (waterId) redirect(307, `/waters/${waterId}/today`);
	if (locals.accounts && !locals.isDemo) redirect(307, '/begin/water');
	error(404, { message: 'You are not a member of any site with a water yet.', code: 'not-found' });
}) satisfies PageServerLoad;
