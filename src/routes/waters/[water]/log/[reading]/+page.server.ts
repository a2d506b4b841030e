import { error, redirect } from '@sveltejs/kit';
import { correctionOfForm, keepOfForm } from '$lib/server/validation/reading-form';
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
		open && UUID.test(params.reading)
			? await locals.services.reading.readingById(open.scope, params.reading)
			: null;
	// A standard belongs to no water: it is found from any of the site's.
	if (!open || !logged || (logged.standardId === null && logged.waterId !== open.water.id)) {
		error(404, { message: 'There is no such reading.', code: 'not-found' });
	}
	return { open, logged };
}

export const load = (async (event) => {
	const { open, logged } = await openReading(event);
	const { services } = event.locals;
	return {
		id: services.newId(),
		keepId: services.newId(),
		logged,
		said: await services.practice.saidBeforeRun(open.scope, logged.runId),
		byHeart: await services.reading.stepsByHeart(open.scope, logged),
		kit: await services.reading.kitOfReading(open.scope, logged),
		photographs: await services.log.photographsOf(open.scope, logged.runId),
		voiceNotes: await services.log.voiceNotesOf(open.scope, logged.runId),
		doubt:
			logged.replacedBecause === null && logged.standardId === null
				? await services.ask('doubt', open, logged)
				: null
	};
}) satisfies PageServerLoad;

export const actions = {
	correct: async (event) => {
		const { open, logged } = await openReading(event);
		const form = await event.request.formData();
		const command = correctionOfForm(form, logged.readingId, logged.reading);
		const outcome = command.ok
			? await event.locals.services.reading.correctReading(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${event.params.water}/log`);
	},
	/** It stands as it was entered, and is not asked about again. */
	keep: async (event) => {
		const { open, logged } = await openReading(event);
		const form = await event.request.formData();
		const command = keepOfForm(form, logged.runId);
		const outcome = command.ok
			? await event.locals.services.reading.keepReading(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${event.params.water}/today`);
	}
} satisfies Actions;
