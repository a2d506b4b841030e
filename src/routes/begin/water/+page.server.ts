import { redirect } from '@sveltejs/kit';
import { isZone } from '$lib/core/time';
import { typedText } from '$lib/server/validation/form';
import { waterOfForm } from '$lib/server/validation/water-form';
import { refused } from '../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	if (!locals.person) redirect(307, '/');
	const own = await locals.services.water.ownWater(locals.person);
	if (own) redirect(307, `/waters/${own}/today`);
	return { id: locals.services.newId(), now: locals.services.clock.now() };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals }) => {
		if (!locals.person || locals.person.place) redirect(303, '/');
		const form = await request.formData();
		// As the browser has it, or without a script the machine itself; it can be changed under Waters.
		const said = typedText(form.get('timeZone'));
		const timeZone = isZone(said) ? said : 'UTC';
		const command = waterOfForm(form, { timeZone, now: locals.services.clock.now() });
		const outcome = command.ok
			? await locals.services.water.beginSite(locals.person, timeZone, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${outcome.value.waterId}/kits?begin`);
	}
} satisfies Actions;
