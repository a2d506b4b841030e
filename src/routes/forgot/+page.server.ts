import { fail as fault } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { accountsHere } from '../accounts-here';
import { refused } from '../refused';
import type { Actions, PageServerLoad } from './$types';

const LONGEST = 254;

export const load = (({ locals }) => ({
	sendsMail: accountsHere(locals).sendsMail
})) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, url }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		const name = typedText(form.get('displayName')).slice(0, LONGEST);
		const outcome =
			name === ''
				? fault('invalid-field', 'displayName', { rule: 'missing' })
				: await accounts.reset.ask(name, (token) => `${url.origin}/reset/${token}`);
		return outcome.ok ? { asked: true } : refused(form, outcome.fault);
	}
} satisfies Actions;
