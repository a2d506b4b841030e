import { error, redirect } from '@sveltejs/kit';
import { SendSample } from '$lib/contract/laboratory';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		id: locals.services.newId(),
		sent: await locals.services.readSent(open.scope, open.water.id)
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const { timeZone } = open.scope;
		const context = { timeZone, units: locals.preferences.units };
		const given = { waterId: open.water.id, parameters: form.getAll('parameter') };
		const command = commandOfForm(SendSample, form, context, given, ({ drawnAt }) => ({
			offsetMinutes: offsetMinutes(drawnAt as Instant, timeZone)
		}));
		const outcome = command.ok ? await locals.services.sendSample(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/laboratory`);
	}
} satisfies Actions;
