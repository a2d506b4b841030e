import { fail, redirect } from '@sveltejs/kit';
import { StartPlan } from '$lib/contract/adjust';
import { typedNumber } from '$lib/core/numeric';
import { convert, isParameterId, PARAMETERS } from '$lib/core/quantity';
import { offsetMinutes } from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../../asked-water';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services, preferences } = locals;
	const query = url.searchParams;
	const wrong: string[] = [];
	const number = (name: string, least: number, most: number): number | undefined => {
		const text = query.get(name);
		if (text === null || text.trim() === '') return undefined;
		const value = typedNumber(text);
		if (value !== null && Number.isFinite(value) && value >= least && value <= most) return value;
		wrong.push(name);
		return undefined;
	};
	const litres = number('litres', 0.1, Math.max(0.1, open.water.netVolumeL ?? 100_000));
	const count = number('count', 1, 30);
	const everyDays = number('everyDays', 1, 60);
	const batch = query.get('batch') ?? undefined;
	const asked = query.get('target') ?? 'nitrate';
	const target = isParameterId(asked) ? asked : 'nitrate';
	const to = number('to', 0, 10_000);
	const [answer, adjust] = await Promise.all([
		services.ask('change', open, {
			...(litres === undefined ? {} : { litres }),
			...(count === undefined ? {} : { count: Math.round(count) }),
			...(everyDays === undefined ? {} : { everyDays: Math.round(everyDays) }),
			...(batch === undefined ? {} : { batch })
		}),
		services.ask('adjust', open)
	]);
	return {
		...answer,
		target: {
			parameter: target,
			value:
				to === undefined
					? null
					: Number(convert(to, preferences.units[target], PARAMETERS[target].canonicalUnit).toPrecision(10))
		},
		neglected: adjust.neglected,
		id: services.newId(),
		fault:
			wrong.length > 0
				? `Give litres up to the volume of the water, 1 to 30 changes, every 1 to 60 days. What could not be read: ${wrong.join(', ')}.`
				: ''
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
