import { redirect } from '@sveltejs/kit';
import { changePreferences, PREFERENCES_COOKIE } from '$lib/contract/preferences';
import type { Actions, PageServerLoad } from './$types';

export const load = (() => redirect(307, '/')) satisfies PageServerLoad;

/**
 * Only a path of our own, so that nobody is sent elsewhere: as browsers write one, in printable ASCII. They leave out
 * tabs and line breaks and take a backslash for a slash, so that what begins otherwise may end as another place.
 */
function ownPath(text: FormDataEntryValue | null): string {
	return typeof text === 'string' && /^\/(?!\/)(?:(?!\\)[\x21-\x7e])*$/.test(text) ? text : '/';
}

export const actions = {
	default: async ({ request, cookies, url }) => {
		const form = await request.formData();
		cookies.set(PREFERENCES_COOKIE, changePreferences(cookies.get(PREFERENCES_COOKIE), form), {
			path: '/',
			httpOnly: true,
			sameSite: 'lax',
			secure: url.protocol === 'https:',
			maxAge: 365 * 86_400
		});
		redirect(303, ownPath(form.get('back')));
	}
} satisfies Actions;
