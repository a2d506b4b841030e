import {
	AddPlace,
	ChangeMember,
	EndMember,
	Invite,
	RevokeInvitation,
	RevokePlace,
	SetPin
} from '$lib/contract/people';
import { fail as fault, type Result } from '$lib/core/result';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { accountsHere } from '../../../accounts-here';
import { askedWater, formContext } from '../../../asked-water';
import { linkToShow } from '../../../link-to-show';
import { refused } from '../../../refused';
import { secretIn } from '../../../secrets';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	return {
		people: await services.people.readPeople(open.scope),
		site: open.scope.siteName,
		id: services.newId(),
		takesAccounts: locals.accounts !== null,
		atPlace: open.scope.placeId !== undefined
	};
}) satisfies PageServerLoad;

async function opened(event: RequestEvent) {
	const open = await askedWater(event.locals, event.params);
	const form = await event.request.formData();
	return { open, form, people: event.locals.services.people, context: formContext(event.locals, open) };
}

const answered = (form: FormData, outcome: Result<unknown>, done: string) =>
	outcome.ok ? { done } : refused(form, outcome.fault);

export const actions = {
	invite: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(Invite, form, context);
		const outcome = command.ok ? await people.invite(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		const { token, code } = outcome.value;
		return { done: 'invite', link: await linkToShow(event.url, `/join/${token}`), code };
	},
	revoke: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(RevokeInvitation, form, context);
		const outcome = command.ok ? await people.takeInvitationBack(open.scope, command.value) : command;
		return answered(form, outcome, 'revoke');
	},
	change: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(ChangeMember, form, context);
		const outcome = command.ok ? await people.changeMember(open.scope, command.value) : command;
		return answered(form, outcome, 'change');
	},
	end: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(EndMember, form, context);
		const outcome = command.ok ? await people.endMember(open.scope, command.value) : command;
		return answered(form, outcome, 'end');
	},
	place: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(AddPlace, form, context);
		const outcome = command.ok ? await people.addPlace(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		return { done: 'place', link: await linkToShow(event.url, `/place/${outcome.value.token}`), code: null };
	},
	revokePlace: async (event) => {
		const { open, form, people, context } = await opened(event);
		const command = commandOfForm(RevokePlace, form, context);
		const outcome = command.ok ? await people.revokePlace(open.scope, command.value) : command;
		return answered(form, outcome, 'revokePlace');
	},
	/** One's own digits, which a place asks for. */
	pin: async (event) => {
		const { open, form } = await opened(event);
		const command = validate(SetPin, { id: typedText(form.get('id')), pin: secretIn(form, 'pin') });
		const outcome = !command.ok
			? command
			: open.scope.placeId !== undefined
				? fault('at-place')
				: await accountsHere(event.locals).setPin(open.scope, command.value);
		return answered(form, outcome, 'pin');
	}
} satisfies Actions;
