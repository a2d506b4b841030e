import { redirect } from '@sveltejs/kit';
import { changePreferences, PREFERENCES_COOKIE } from '$lib/contract/preferences';
import { ownPath } from '../own-path';
import type { Actions, PageServerLoad } from './$types';

export const load = (() => redirect(307, '/')) satisfies PageServerLoad;

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
