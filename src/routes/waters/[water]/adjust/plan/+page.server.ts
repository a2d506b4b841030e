import { fail, redirect } from '@sveltejs/kit';
import { StartPlan } from '$lib/contract/adjust';
import { RAISED, supplementFor } from '$lib/core/correction';
import { aimOf, isOutside } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { offsetMinutes } from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { inUnit, limitInUnit, symbolAfter } from '$lib/format/quantity';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../../asked-water';
import { goalsIn, requestOf } from '../../../../plan-request';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services, preferences } = locals;
	const { units } = preferences;
	const [{ today, stands }, supplements] = await Promise.all([
		services.ask('day', open),
		services.correction.readSupplements(open.scope)
	]);
	const rowOf = (parameter: ParameterId) => today.rows.find((r) => r.parameter === parameter);
	const bandOf = (parameter: ParameterId) => rowOf(parameter)?.band ?? null;
	const verdictOf = (parameter: ParameterId) => {
		const row = rowOf(parameter);
		return row?.estimate?.verdict ?? row?.single ?? null;
	};
	const usualAim = (parameter: ParameterId) => {
		const band = bandOf(parameter);
		// Of what must only not be too little, its least is enough.
		return aimOf(band) ?? band?.low ?? null;
	};
	const asked = requestOf(url, supplements, units, usualAim);
	const preview = asked?.ok ? await services.ask('preview', open, asked.value) : null;
	const fault = asked && !asked.ok ? asked.fault : preview && !preview.ok ? preview.fault : null;
	const named = url.searchParams.get('kind');
	const kind: 'salinity' | 'husbandry' | 'doses' =
		named === 'salinity' ? 'salinity' : named === 'husbandry' ? 'husbandry' : 'doses';
	const level = (parameter: ParameterId) => {
		const present = stands.find((s) => s.parameter === parameter)?.level;
		if (!present) return '';
		const m = inUnit(parameter, present.value, present.u, units[parameter]);
		return `now ${m.value} ± ${m.plusMinus}${symbolAfter(units[parameter])}`;
	};
	const aimText = (parameter: ParameterId, name: string) => {
		const typed = url.searchParams.get(name);
		if (typed) return typed;
		const usual = usualAim(parameter);
		return usual === null ? '' : limitInUnit(parameter, usual, units[parameter]);
	};
	return {
		kind,
		request: asked?.ok ? asked.value : null,
		goals: goalsIn(url).map((parameter) => ({
			parameter,
			aim: aimText(parameter, `aim.${parameter}`),
			now: level(parameter),
			supplementId: supplementFor(parameter, supplements, url.searchParams.get(`with.${parameter}`))
		})),
		offers: RAISED.map((parameter) => ({
			parameter,
			level: stands.find((s) => s.parameter === parameter)?.level ?? null,
			outside: isOutside(verdictOf(parameter)?.grade),
			band: bandOf(parameter)
		})),
		aimText: aimText('salinity', 'aim'),
		volumeKnown: url.searchParams.get('volume') === 'known',
		supplements,
		preview: preview?.ok ? preview.value : null,
		bands: Object.fromEntries(today.rows.map((r) => [r.parameter, r.band])),
		fault: fault ? faultText(fault) : '',
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
