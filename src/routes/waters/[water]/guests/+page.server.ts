import { redirect } from '@sveltejs/kit';
import { AddGuest, KeepGuest } from '$lib/contract/guest';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { askedWater, formContext } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const guests = await services.visitor.readGuests(open.scope);
	return {
		guests: guests.map((g) => ({ ...g, keepId: services.newId() })),
		id: services.newId(),
		guestId: services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	add: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = commandOfForm(AddGuest, form, formContext(locals, open), { waterId: open.water.id });
		const outcome = command.ok ? await locals.services.visitor.addGuest(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${outcome.value.waterId}/bench`);
	},
	keep: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = commandOfForm(KeepGuest, form, formContext(locals, open), { waterId: open.water.id });
		const outcome = command.ok ? await locals.services.visitor.keepGuest(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${outcome.value.waterId}/waters?edit=${outcome.value.waterId}`);
	}
} satisfies Actions;
