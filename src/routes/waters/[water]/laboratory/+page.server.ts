import { error, redirect } from '@sveltejs/kit';
import { SendSample } from '$lib/contract/laboratory';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { fail as fault } from '$lib/core/result';
import { typedInstant } from '$lib/server/validation/event-form';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
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
		const drawnAt = typedInstant(typedText(form.get('drawnAt')), open.scope.timeZone);
		const command = Number.isNaN(drawnAt)
			? fault('invalid-field', 'drawnAt', { rule: 'date-and-time' })
			: validate(SendSample, {
					id: typedText(form.get('id')),
					waterId: open.water.id,
					parameters: form.getAll('parameter'),
					drawnAt,
					offsetMinutes: offsetMinutes(drawnAt as Instant, open.scope.timeZone),
					note: typedText(form.get('note'))
				});
		const outcome = command.ok ? await locals.services.sendSample(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/laboratory`);
	}
} satisfies Actions;
