import { redirect } from '@sveltejs/kit';
import { TakeProfile } from '$lib/contract/judgement';
import { ChangeWater, ChangeZone, OrderWaters } from '$lib/contract/water';
import { fail as fault, type Result } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { typedInstant } from '$lib/server/validation/typed-instant';
import { validate } from '$lib/server/validation/validator';
import { lightsIn, volumeIn, waterOfForm } from '$lib/server/validation/water-form';
import { askedWater } from '../../../asked-water';
import { ownPath } from '../../../own-path';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const waters = await services.water.readWaters(open.scope);
	return {
		waters: waters.map((w) => ({ ...w, changeId: services.newId() })),
		edited: url.searchParams.get('edit'),
		addId: services.newId(),
		zoneId: services.newId(),
		orderIds: waters.map(() => services.newId())
	};
}) satisfies PageServerLoad;

async function opened({ locals, params, request }: RequestEvent) {
	const open = await askedWater(locals, params);
	return { open, services: locals.services, form: await request.formData() };
}

/** What is changed about a water, by the form that was sent. */
function changeIn(form: FormData): Result<unknown> {
	const kind = typedText(form.get('change'));
	switch (kind) {
		case 'name':
			return { ok: true, value: { kind, name: typedText(form.get('name')) } };
		case 'volume': {
			const volume = volumeIn(form);
			if (volume.ok && volume.value === null) return fault('invalid-field', 'litres', { rule: 'missing' });
			return volume.ok ? { ok: true, value: { kind, volume: volume.value } } : volume;
		}
		case 'lights': {
			const lights = lightsIn(form);
			return lights.ok ? { ok: true, value: { kind, lights: lights.value } } : lights;
		}
		case 'animals':
			return { ok: true, value: { kind, hasAnimals: form.get('empty') === null } };
		default:
			return { ok: true, value: { kind } };
	}
}

export const actions = {
	add: async (event) => {
		const { open, services, form } = await opened(event);
		const command = waterOfForm(form, { timeZone: open.scope.timeZone, now: services.clock.now() });
		const outcome = command.ok ? await services.water.addWater(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${open.water.id}/waters`);
	},
	change: async (event) => {
		const { open, services, form } = await opened(event);
		const text = typedText(form.get('fromAt'));
		const fromAt = text === '' ? services.clock.now() : typedInstant(text, open.scope.timeZone);
		const change = changeIn(form);
		const command = Number.isNaN(fromAt)
			? fault('invalid-field', 'fromAt', { rule: 'date-and-time' })
			: change.ok
				? validate(ChangeWater, {
						id: typedText(form.get('id')),
						waterId: typedText(form.get('waterId')),
						fromAt,
						change: change.value
					})
				: change;
		const outcome = command.ok ? await services.water.changeWater(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${open.water.id}/waters`);
	},
	kind: async (event) => {
		const { open, services, form } = await opened(event);
		const command = validate(TakeProfile, {
			id: typedText(form.get('id')),
			waterId: open.water.id,
			profile: { kind: 'shipped', id: typedText(form.get('profile')) },
			// What it is, it was from its begin.
			fromAt: open.water.startedAt
		});
		const outcome = command.ok ? await services.judgement.takeProfile(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, ownPath(form.get('back')));
	},
	zone: async (event) => {
		const { open, services, form } = await opened(event);
		const command = validate(ChangeZone, {
			id: typedText(form.get('id')),
			timeZone: typedText(form.get('timeZone'))
		});
		const outcome = command.ok ? await services.water.changeZone(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${open.water.id}/waters`);
	},
	order: async (event) => {
		const { open, services, form } = await opened(event);
		const waterIds = typedText(form.get('waterIds')).split(' ').filter(Boolean);
		const command = validate(OrderWaters, { id: typedText(form.get('id')), waterIds });
		const outcome = command.ok ? await services.water.orderWaters(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${open.water.id}/waters`);
	}
} satisfies Actions;
