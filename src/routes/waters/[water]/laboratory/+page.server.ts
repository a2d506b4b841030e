import { redirect } from '@sveltejs/kit';
import { SendSample } from '$lib/contract/laboratory';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { askedWater, formContext } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	return {
		id: locals.services.newId(),
		sent: await locals.services.laboratory.readSent(open.scope, open.water.id)
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const context = formContext(locals, open);
		const given = { waterId: open.water.id, parameters: form.getAll('parameter') };
		const command = commandOfForm(SendSample, form, context, given, ({ drawnAt }) => ({
			offsetMinutes: offsetMinutes(drawnAt as Instant, context.timeZone)
		}));
		const outcome = command.ok
			? await locals.services.laboratory.sendSample(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/laboratory`);
	}
} satisfies Actions;
