import { redirect } from '@sveltejs/kit';
import { happeningOf } from '$lib/core/record';
import { eventOfForm } from '$lib/server/validation/event-form';
import { askedWater, formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const [used, batches] = await Promise.all([
		locals.services.log.supplementsUsed(open.scope, open.water.id),
		locals.services.correction.readBatches(open.scope)
	]);
	return {
		id: locals.services.newId(),
		kind: url.searchParams.get('kind') ?? 'dose',
		used: used.map(({ details }) => details),
		batches: batches.map(({ name, levels, mixedAt }) => ({ name, levels, mixedAt })),
		given: {
			litres: url.searchParams.get('litres') ?? '',
			batch: url.searchParams.get('batch')
		}
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = eventOfForm(form, formContext(locals, open));
		const outcome = command.ok ? await locals.services.log.recordEvent(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		// What happened asks for tests: they are told at once.
		const panel = command.ok ? happeningOf(command.value.kind) : null;
		// What was read before stands beside what is read after.
		if (command.ok && command.value.kind === 'water-change') {
			redirect(303, `/waters/${params.water}/around/${command.value.id}`);
		}
		redirect(
			303,
			panel && command.ok
				? `/waters/${params.water}/panel/${panel}?event=${command.value.id}`
				: `/waters/${params.water}/log`
		);
	}
} satisfies Actions;
