import { redirect } from '@sveltejs/kit';
import { accountsHere } from '../../accounts-here';
import { refused } from '../../refused';
import type { Actions, PageServerLoad } from './$types';

/** A tablet stays what it is until it is signed out; browsers keep no cookie longer. */
const KEPT_DAYS = 400;

export const load = (async ({ locals, params }) => {
	accountsHere(locals);
	return {
		place: await locals.services.people.readPlaceLink(params.token),
		signedInAs: locals.signedInBy === 'account' ? (locals.person?.displayName ?? null) : null
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params, cookies, url }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		const outcome = await locals.services.people.becomePlace(params.token);
		if (!outcome.ok) return refused(form, outcome.fault);
		// Whoever set it up is not signed in on it any more.
		if (locals.signedInBy === 'account') locals.setCookies(await accounts.signOut());
		cookies.delete('tevrik_session', { path: '/' });
		cookies.set('tevrik_place', outcome.value.token, {
			path: '/',
			httpOnly: true,
			sameSite: 'lax',
			secure: url.protocol === 'https:',
			maxAge: KEPT_DAYS * 86_400
		});
		redirect(303, '/');
	}
} satisfies Actions;
