import { redirect } from '@sveltejs/kit';
import { accountsHere } from '../../accounts-here';
import { ownPath } from '../../own-path';
import { refused } from '../../refused';
import { secretIn } from '../../secrets';
import type { Actions, PageServerLoad } from './$types';

export const load = (({ locals, url }) => {
	accountsHere(locals);
	const back = ownPath(url.searchParams.get('back'));
	if (locals.signedInBy === 'account') redirect(307, back);
	return { back };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals }) => {
		const form = await request.formData();
		const outcome = await accountsHere(locals).signInByCode(secretIn(form, 'code'));
		if (!outcome.ok) return refused(form, outcome.fault);
		locals.setCookies(outcome.value);
		redirect(303, ownPath(form.get('back')));
	}
} satisfies Actions;
