import { redirect } from '@sveltejs/kit';
import { ChooseReader } from '$lib/contract/people';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { accountsHere } from '../accounts-here';
import { ownPath } from '../own-path';
import { refused } from '../refused';
import { secretIn } from '../secrets';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	const place = locals.person?.place;
	if (!place) redirect(307, '/');
	return {
		place: place.name,
		readerId: place.readerId,
		readers: await locals.services.people.readersAt(place),
		asked: url.searchParams.get('reader'),
		back: ownPath(url.searchParams.get('back'))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals }) => {
		const accounts = accountsHere(locals);
		const form = await request.formData();
		const pin = secretIn(form, 'pin');
		if (!locals.person?.place) return refused(form, { code: 'unknown-item', field: 'memberId' });
		const memberId = typedText(form.get('memberId'));
		const command = validate(ChooseReader, { memberId: memberId === '' ? null : memberId, pin });
		const outcome = command.ok ? await accounts.chooseReader(locals.person, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, ownPath(form.get('back')));
	}
} satisfies Actions;
