import { error, redirect } from '@sveltejs/kit';
import { fail as fault } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { ownPath } from '../own-path';
import { refused } from '../refused';
import { secretIn } from '../secrets';
import type { Actions, PageServerLoad } from './$types';

const LONGEST = 254;

export const load = (async ({ locals, url }) => {
	if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
	const back = ownPath(url.searchParams.get('back'));
	if (locals.signedInBy === 'account') redirect(307, back);
	return {
		nobody: !locals.isDemo && !(await locals.accounts.hasAccounts()),
		back,
		isDemo: locals.isDemo,
		chosen: url.searchParams.has('chosen'),
		gone: url.searchParams.has('gone')
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals }) => {
		if (!locals.accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
		const form = await request.formData();
		const name = typedText(form.get('displayName')).slice(0, LONGEST);
		const password = secretIn(form, 'password');
		const empty = name === '' ? 'displayName' : password === '' ? 'password' : null;
		const outcome = empty
			? fault('invalid-field', empty, { rule: 'missing' })
			: await locals.accounts.signIn({ name, password });
		if (!outcome.ok) return refused(form, outcome.fault);
		locals.setCookies(outcome.value.cookies);
		const back = ownPath(form.get('back'));
		redirect(303, outcome.value.asksCode ? `/sign-in/code?back=${encodeURIComponent(back)}` : back);
	}
} satisfies Actions;
