import { error, redirect } from '@sveltejs/kit';
import { correctionOfForm } from '$lib/server/validation/reading-form';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad } from './$types';

const UUID = /^[0-9a-f-]{36}$/;

async function openReading({
	locals,
	params
}: {
	locals: App.Locals;
	params: { water: string; reading: string };
}) {
	const open = await locals.openWater(params.water);
	const logged =
		open && UUID.test(params.reading) ? await locals.services.readingById(open.scope, params.reading) : null;
	if (!open || !logged || logged.waterId !== open.water.id) {
		error(404, { message: 'There is no such reading.', code: 'not-found' });
	}
	return { open, logged };
}

export const load = (async (event) => {
	const { logged } = await openReading(event);
	return { id: event.locals.services.newId(), logged };
}) satisfies PageServerLoad;

export const actions = {
	default: async (event) => {
		const { open, logged } = await openReading(event);
		const form = await event.request.formData();
		const command = correctionOfForm(form, logged.readingId, logged.reading);
		const outcome = command.ok
			? await event.locals.services.correctReading(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${event.params.water}/log`);
	}
} satisfies Actions;
