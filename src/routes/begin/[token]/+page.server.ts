import { error, redirect } from '@sveltejs/kit';
import { BeginAccount } from '$lib/contract/account';
import { fail as fault } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { refused } from '../../refused';
import type { Actions, PageServerLoad } from './$types';

/** Passwords are sent back to nobody. */
const SECRET = 'password';

export const load = (async ({ locals, params }) => {
	if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
	// Whoever made the account and opens the link again goes on where they were.
	if (locals.person) redirect(307, '/');
	return { stands: await locals.accounts.linkStands(params.token) };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
		const form = await request.formData();
		const email = typedText(form.get('email'));
		const password = form.get(SECRET);
		form.delete(SECRET);
		const displayName = typedText(form.get('displayName')).replace(/\s+/g, ' ');
		if (displayName.includes('@')) {
			return refused(form, { code: 'invalid-field', field: 'displayName', details: { rule: 'no-address' } });
		}
		const command =
			email !== '' && !email.includes('@')
				? fault('invalid-field', 'email', { rule: 'address' })
				: validate(BeginAccount, { displayName, email: email === '' ? null : email, password });
		const outcome = command.ok ? await locals.accounts.begin(params.token, command.value) : command;
		if (!outcome.ok) {
			form.set(SECRET, '');
			return refused(form, outcome.fault);
		}
		locals.setCookies(outcome.value);
		redirect(303, '/begin/water');
	}
} satisfies Actions;
