import { error, fail, redirect } from '@sveltejs/kit';
import { faultText } from '$lib/format/faults';
import { entered } from '$lib/server/validation/form';
import { eventOfForm } from '$lib/server/validation/event-form';
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
		if (!outcome.ok) {
			const { fault } = outcome;
			return fail(fault.code === 'id-taken' ? 409 : 400, {
				entered: entered(form),
				field: fault.field ?? '',
				text: faultText(fault)
			});
		}
		redirect(303, `/waters/${params.water}/log`);
	}
} satisfies Actions;
