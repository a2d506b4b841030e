import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** From the demo: how somebody begins with their own. Whoever has an account is there already. */
export const load = (({ locals }) => {
	if (locals.accounts && !locals.isDemo) redirect(307, '/');
	return {};
}) satisfies PageServerLoad;
