import { error, redirect } from '@sveltejs/kit';
import { happeningOf } from '$lib/core/record';
import { eventOfForm } from '$lib/server/validation/event-form';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const used = await locals.services.supplementsUsed(open.scope, open.water.id);
	return {
		id: locals.services.newId(),
		kind: url.searchParams.get('kind') ?? 'dose',
		used: used.map(({ details }) => details)
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const command = eventOfForm(form, {
			waterId: open.water.id,
			timeZone: open.scope.timeZone,
			units: locals.preferences.units
		});
		const outcome = command.ok ? await locals.services.recordEvent(open.scope, command.value) : command;
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
