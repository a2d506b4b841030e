import { error, redirect } from '@sveltejs/kit';
import { accountOfForm } from '../../account-of-form';
import { refused } from '../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	if (!locals.accounts || locals.isDemo) error(404, { message: 'There is no such page.', code: 'not-found' });
	// Whoever made the account and opens the link again goes on where they were.
	if (locals.person) redirect(307, '/');
	return { stands: await locals.accounts.linkStands(params.token) };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		if (!locals.accounts || locals.isDemo)
			error(404, { message: 'There is no such page.', code: 'not-found' });
		const form = await request.formData();
		const command = accountOfForm(form);
		const outcome = command.ok ? await locals.accounts.begin(params.token, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		locals.setCookies(outcome.value);
		redirect(303, '/begin/water');
	}
} satisfies Actions;
