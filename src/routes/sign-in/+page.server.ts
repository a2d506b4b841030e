import { error, redirect } from '@sveltejs/kit';
import { fail as fault } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { ownPath } from '../own-path';
import { refused } from '../refused';
import type { Actions, PageServerLoad } from './$types';

const SECRET = 'password';
const LONGEST = 254;

export const load = (async ({ locals, url }) => {
	if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
	const back = ownPath(url.searchParams.get('back'));
	if (locals.person) redirect(307, back);
	return { nobody: !(await locals.accounts.hasAccounts()), back };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, getClientAddress }) => {
		if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
		const form = await request.formData();
		const name = typedText(form.get('displayName')).slice(0, LONGEST);
		const secret = form.get(SECRET);
		const password = typeof secret === 'string' ? secret.slice(0, LONGEST) : '';
		form.delete(SECRET);
		const empty = name === '' ? 'displayName' : password === '' ? SECRET : null;
		const outcome = empty
			? fault('invalid-field', empty, { rule: 'missing' })
			: await locals.accounts.signIn({ name, password }, getClientAddress());
		if (!outcome.ok) {
			form.set(SECRET, '');
			return refused(form, outcome.fault);
		}
		locals.setCookies(outcome.value);
		redirect(303, ownPath(form.get('back')));
	}
} satisfies Actions;
