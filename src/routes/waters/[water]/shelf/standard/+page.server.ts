import { redirect } from '@sveltejs/kit';
import { madeStandardOfForm } from '$lib/server/validation/standard-form';
import { askedWater } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { things } = await locals.services.ask('shelf', open, locals.preferences);
	return {
		purified: (await locals.services.purified.readPurified(open.scope)).state,
		stocks: things
			.filter((t) => t.kind === 'standard' && t.retiredAt === null)
			.map(({ id, name, details }) => ({ id, name, contents: details.contents })),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const { services, preferences } = locals;
		const form = await request.formData();
		const { things } = await services.ask('shelf', open, preferences);
		const stocks = new Map(
			things.filter((t) => t.kind === 'standard').map((t) => [t.id, t.details.contents])
		);
		const command = madeStandardOfForm(form, open.water.id, stocks, services.clock.now());
		const outcome = command.ok ? await services.shelf.addToShelf(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/shelf/${outcome.value.itemId}`);
	}
} satisfies Actions;
