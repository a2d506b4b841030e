import { redirect } from '@sveltejs/kit';
import { happeningOf } from '$lib/core/record';
import { eventOfForm } from '$lib/server/validation/event-form';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const used = await locals.services.log.supplementsUsed(open.scope, open.water.id);
	return {
		id: locals.services.newId(),
		kind: url.searchParams.get('kind') ?? 'dose',
		used: used.map(({ details }) => details)
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = eventOfForm(form, formContext(locals, open));
		const outcome = command.ok ? await locals.services.log.recordEvent(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		// What happened asks for tests: they are told at once.
		const panel = command.ok ? happeningOf(command.value.kind) : null;
		redirect(
			303,
			panel && command.ok
				? `/waters/${params.water}/panel/${panel}?event=${command.value.id}`
				: `/waters/${params.water}/log`
		);
	}
} satisfies Actions;
