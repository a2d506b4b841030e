import { redirect } from '@sveltejs/kit';
import { faultText } from '$lib/format/faults/faults';
import { typedText } from '$lib/server/validation/form';
import { accountOfForm } from '../../account-of-form';
import { accountsHere } from '../../accounts-here';
import { refused } from '../../refused';
import type { Actions, PageServerLoad } from './$types';

const LONGEST_CODE = 20;

export const load = (async ({ locals, params }) => {
	accountsHere(locals);
	const found = await locals.services.people.readInvitation(params.token);
	return {
		invitation: found.ok ? found.value : null,
		over: found.ok ? '' : faultText(found.fault),
		signedInAs: locals.signedInBy === 'account' ? (locals.person?.displayName ?? null) : null,
		now: locals.services.clock.now()
	};
}) satisfies PageServerLoad;

export const actions = {
	/** Somebody who has an account comes in. */
	accept: async ({ request, locals, params }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		if (!locals.person || locals.signedInBy !== 'account') {
			redirect(303, `/sign-in?back=${encodeURIComponent(`/join/${params.token}`)}`);
		}
		const code = typedText(form.get('code')).slice(0, LONGEST_CODE);
		const outcome = await accounts.joinAs(locals.person, params.token, code);
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, '/');
	},
	/** Somebody makes an account and comes in. */
	begin: async ({ request, locals, params }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		const code = typedText(form.get('code')).slice(0, LONGEST_CODE);
		const command = accountOfForm(form);
		const outcome = command.ok ? await accounts.join(params.token, code, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		locals.setCookies(outcome.value);
		redirect(303, '/');
	}
} satisfies Actions;
