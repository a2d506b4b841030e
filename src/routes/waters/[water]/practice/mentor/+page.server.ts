import { redirect } from '@sveltejs/kit';
import { may } from '$lib/core/access';
import { lessonOfForm, stepNoteOfForm } from '$lib/server/validation/practice-form';
import { askedWater } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, params, depends }) => {
	depends('tevrik:practice');
	const open = await askedWater(locals, params);
	return {
		practice: await locals.services.practice.readPractice(open.scope),
		mentors: may(open.scope.role, 'decide'),
		id: locals.services.newId()
	};
}) satisfies PageServerLoad;

async function act({ locals, params, request }: RequestEvent, commandOf: typeof lessonOfForm) {
	const open = await askedWater(locals, params);
	const form = await request.formData();
	const command = commandOf(form);
	const outcome = command.ok
		? await locals.services.practice.mentorPractice(open.scope, command.value)
		: command;
	if (!outcome.ok) return refused(form, outcome.fault);
	redirect(303, `/waters/${params.water}/practice/mentor`);
}

export const actions = {
	lesson: (event) => act(event, lessonOfForm),
	note: (event) => act(event, stepNoteOfForm)
} satisfies Actions;
