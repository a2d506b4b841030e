import { SaveSupplement } from '$lib/contract/adjust';
import type { ParameterId } from '$lib/core/quantity';
import { typedText } from '$lib/server/validation/form';
import { supplementOfForm } from '$lib/server/validation/supplement-form';
import { validate } from '$lib/server/validation/validator';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const [supplements, { stands }] = await Promise.all([
		services.correction.readSupplements(open.scope),
		services.ask('day', open)
	]);
	const levels: Partial<Record<ParameterId, number>> = {};
	for (const { parameter, level } of stands) if (level) levels[parameter] = level.value;
	return { supplements, levels, id: services.newId() };
}) satisfies PageServerLoad;

export const actions = {
	save: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = supplementOfForm(form, formContext(locals, open));
		const outcome = command.ok
			? await locals.services.correction.saveSupplement(open.scope, command.value)
			: command;
		return outcome.ok ? { saved: true as const } : refused(form, outcome.fault);
	},
	retire: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const { services } = locals;
		const id = typedText(form.get('supplementId'));
		const kept = (await services.correction.readSupplements(open.scope)).find((s) => s.own && s.id === id);
		if (!kept) return refused(form, { code: 'unknown-item' });
		const command = validate(SaveSupplement, {
			id: services.newId(),
			waterId: open.water.id,
			name: kept.name,
			details: { what: kept.what, notWith: kept.notWith, inUse: false }
		});
		const outcome = command.ok
			? await services.correction.saveSupplement(open.scope, command.value)
			: command;
		return outcome.ok ? { saved: false as const } : refused(form, outcome.fault);
	}
} satisfies Actions;
