import { redirect } from '@sveltejs/kit';
import type { Actions, PageServerLoad } from './$types';

export const load = (() => redirect(307, '/')) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, setHeaders }) => {
		if (!locals.accounts || locals.signedInBy !== 'account') redirect(303, '/');
		await request.formData();
		locals.setCookies(await locals.accounts.signOut());
		// What was read stands in the browser's own store: nobody who comes after is to find it.
		setHeaders({ 'clear-site-data': '"cache", "storage"' });
		redirect(303, '/sign-in');
	}
} satisfies Actions;
