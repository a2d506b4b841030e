import { redirect } from '@sveltejs/kit';
import { Password } from '$lib/contract/account';
import { validate } from '$lib/server/validation/validator';
import { accountsHere } from '../../accounts-here';
import { refused } from '../../refused';
import { secretIn } from '../../secrets';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => ({
	stands: await accountsHere(locals).reset.stands(params.token)
})) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		const password = secretIn(form, 'password');
		const checked = validate(Password, password);
		const outcome = checked.ok ? await accounts.reset.choose(params.token, password) : checked;
		if (!outcome.ok) return refused(form, { ...outcome.fault, field: 'password' });
		redirect(303, '/sign-in?chosen');
	}
} satisfies Actions;
