import { error } from '@sveltejs/kit';
import { dev } from '$app/environment';
import type { PageServerLoad } from './$types';

/** For those who build: elsewhere there is no such page, unless the one who starts the server asks for it. */
export const load = (({ locals }) => {
	if (!dev && process.env.TEVRIK_KIT !== '1')
		error(404, { message: 'There is no such page.', code: 'not-found' });
	return { now: locals.services.clock.now() };
}) satisfies PageServerLoad;
