import { redirect } from '@sveltejs/kit';
import { ChooseKits } from '$lib/contract/water';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const kits = await locals.services.water.readKits(open.scope);
	// Where every shipped kit is there anyway, there is nothing to choose.
	if (!kits) redirect(307, `/waters/${open.water.id}/methods`);
	const own = (await locals.services.method.readMethods(open.scope)).filter((m) => m.own);
	return {
		id: locals.services.newId(),
		chosen: kits.chosen,
		own: own.map(({ method }) => ({
			code: method.code,
			name: method.name,
			parameter: method.parameter
		})),
		begins: url.searchParams.has('begin')
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const codes = form.getAll('codes').filter((c): c is string => typeof c === 'string');
		const command = validate(ChooseKits, { id: typedText(form.get('id')), codes });
		const outcome = command.ok ? await locals.services.water.chooseKits(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		const where = typedText(form.get('then')) === 'methods' ? 'methods' : 'bench';
		redirect(303, `/waters/${open.water.id}/${where}`);
	}
} satisfies Actions;
