import { error, redirect } from '@sveltejs/kit';
import { SetTarget } from '$lib/contract/target';
import { convert, isParameterId, PARAMETERS } from '$lib/core/quantity';
import { fail as fault } from '$lib/core/result';
import { typedInstant } from '$lib/server/validation/event-form';
import { numberIn, typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return {
		targets: await locals.services.targetsOf(open.scope, open.water.id),
		profile: url.searchParams.get('profile'),
		ids: Object.fromEntries(Object.keys(PARAMETERS).map((p) => [p, locals.services.newId()]))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await locals.openWater(params.water);
		if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
		const form = await request.formData();
		const parameter = typedText(form.get('parameter'));
		const unit = isParameterId(parameter) ? locals.preferences.units[parameter] : null;
		const limit = (name: string) => {
			const value = numberIn(form.get(name));
			if (value === null || unit === null || !isParameterId(parameter)) return value;
			return Number(convert(value, unit, PARAMETERS[parameter].canonicalUnit).toPrecision(12));
		};
		const fromAt = typedInstant(typedText(form.get('fromAt')), open.scope.timeZone);
		const bad = ['low', 'high', 'aim'].find((name) => Number.isNaN(limit(name)));
		const command = !isParameterId(parameter)
			? fault('invalid-field', 'parameter', { rule: 'word' })
			: bad
				? fault('invalid-field', bad, { rule: 'number' })
				: Number.isNaN(fromAt)
					? fault('invalid-field', 'fromAt', { rule: 'date-and-time' })
					: validate(SetTarget, {
							id: typedText(form.get('id')),
							waterId: open.water.id,
							parameter,
							low: limit('low'),
							high: limit('high'),
							aim: limit('aim'),
							source: typedText(form.get('source')),
							fromAt
						});
		const outcome = command.ok ? await locals.services.setTarget(open.scope, command.value) : command;
		if (!outcome.ok) {
			return refused(form, outcome.fault);
		}
		redirect(303, `/waters/${params.water}/targets`);
	}
} satisfies Actions;
