import { fail, redirect } from '@sveltejs/kit';
import { StartPlan } from '$lib/contract/adjust';
import { readChangeWish, targetOf } from '$lib/contract/correction-wishes';
import { reckonChange } from '$lib/core/correction';
import { offsetMinutes } from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../../asked-water';
import type { Actions, PageServerLoad } from './$types';

const TYPED = ['litres', 'count', 'everyDays', 'to'] as const;

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services, preferences } = locals;
	const [change, adjust] = await Promise.all([services.ask('change', open), services.ask('adjust', open)]);
	const { given, batches, bands } = change;
	const asked = given
		? readChangeWish(url.searchParams, {
				volumeL: given.volumeL,
				newest: batches[0]?.name ?? '',
				units: preferences.units
			})
		: null;
	return {
		given,
		batches,
		bands,
		wish: asked?.wish ?? null,
		wrong: asked?.wrong ?? [],
		// As it was typed, whatever could be made of it.
		typed: Object.fromEntries(TYPED.map((name) => [name, url.searchParams.get(name) ?? ''])),
		target: targetOf(url.searchParams),
		answer: given && asked ? reckonChange(given, asked.wish) : null,
		purified: (await services.purified.readPurified(open.scope)).state,
		neglected: adjust.neglected,
		id: services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	start: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const { services } = locals;
		const form = await request.formData();
		const now = services.clock.now();
		let asked: unknown = null;
		try {
			asked = JSON.parse(typedText(form.get('request')));
		} catch {
			// Told by the schema.
		}
		const command = validate(StartPlan, {
			id: typedText(form.get('id')),
			waterId: open.water.id,
			request: asked,
			startsAt: now,
			offsetMinutes: offsetMinutes(now, open.scope.timeZone)
		});
		const outcome = command.ok ? await services.correction.startPlan(open.scope, command.value) : command;
		if (!outcome.ok) return fail(400, { text: faultText(outcome.fault) });
		redirect(303, `/waters/${params.water}/adjust/plans/${outcome.value.planId}`);
	}
} satisfies Actions;
