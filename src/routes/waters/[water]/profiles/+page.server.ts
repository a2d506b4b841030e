import { redirect } from '@sveltejs/kit';
import { SaveProfile, TakeProfile } from '$lib/contract/judgement';
import { sourceFit } from '$lib/core/judgement';
import { convert, PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
import { fail as fault } from '$lib/core/result';
import { sourceFitSentence, sourceRead } from '$lib/format/judgement/source-fit';
import { numberIn, typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../asked-water';
import { refused } from '../../../refused';
import { sourceOfSite } from '../source-of-site';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services, preferences } = locals;
	const profiles = await services.judgement.readProfiles(open.scope);
	const source = profiles.length > 0 ? await sourceOfSite(locals, open) : null;
	const told = profiles.flatMap(({ id, bands }) => {
		const fit = source && sourceFit(bands, source.read);
		return fit ? [[id, sourceFitSentence(source.name, fit, preferences.units)] as const] : [];
	});
	return {
		profiles,
		source: source && {
			id: source.id,
			name: source.name,
			read: sourceRead(source.lastReadAt, open.scope.timeZone, services.clock.now()),
			fits: Object.fromEntries(told)
		},
		targets: await services.water.targetsOf(open.scope, open.water.id),
		edited: url.searchParams.get('edit'),
		id: services.newId()
	};
}) satisfies PageServerLoad;

async function opened({ locals, params, request }: RequestEvent) {
	const open = await askedWater(locals, params);
	return { open, services: locals.services, units: locals.preferences.units, form: await request.formData() };
}

export const actions = {
	save: async (event) => {
		const { open, services, units, form } = await opened(event);
		const limit = (parameter: (typeof PARAMETER_IDS)[number], side: string) => {
			const value = numberIn(form.get(`${parameter}.${side}`));
			return value === null
				? null
				: Number(convert(value, units[parameter], PARAMETERS[parameter].canonicalUnit).toPrecision(12));
		};
		const bands = PARAMETER_IDS.map((parameter) => ({
			parameter,
			low: limit(parameter, 'low'),
			high: limit(parameter, 'high'),
			aim: limit(parameter, 'aim')
		})).filter((b) => b.low !== null || b.high !== null || b.aim !== null);
		const bad = bands.flatMap((b) =>
			(['low', 'high', 'aim'] as const)
				.filter((side) => Number.isNaN(b[side]))
				.map((s) => `${b.parameter}.${s}`)
		)[0];
		const command = bad
			? fault('not-a-number', bad)
			: validate(SaveProfile, {
					id: typedText(form.get('id')),
					waterId: open.water.id,
					name: typedText(form.get('name')),
					source: typedText(form.get('source')),
					bands
				});
		const outcome = command.ok ? await services.judgement.saveProfile(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${event.params.water}/profiles`);
	},
	take: async (event) => {
		const { open, services, form } = await opened(event);
		const command = validate(TakeProfile, {
			id: services.newId(),
			waterId: open.water.id,
			profile: { kind: 'own', id: typedText(form.get('profile')) },
			fromAt: services.clock.now()
		});
		const outcome = command.ok ? await services.judgement.takeProfile(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${event.params.water}/targets`);
	}
} satisfies Actions;
