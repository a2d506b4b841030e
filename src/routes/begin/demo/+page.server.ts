import { error, redirect } from '@sveltejs/kit';
import type { Actions, PageServerLoad } from './$types';

/** Made by whoever started the server, so long at most; then it may be asked for again. */
const MAKING_MS = 5 * 60_000;
let askedAt = 0;

export const load = (async ({ locals }) => {
	if (!locals.accounts || locals.isDemo) error(404, { message: 'There is no such page.', code: 'not-found' });
	if (!locals.person) redirect(307, '/');
	const waterId = await locals.services.water.madeUpWater(locals.person);
	if (waterId) redirect(307, `/waters/${waterId}/today`);
	return { coming: locals.services.clock.now() - askedAt < MAKING_MS, can: process.send !== undefined };
}) satisfies PageServerLoad;

export const actions = {
	look: async ({ request, locals }) => {
		if (!locals.accounts || locals.isDemo || !locals.person || locals.person.place) redirect(303, '/');
		await request.formData();
		const now = locals.services.clock.now();
		if (!(await locals.services.water.lookAtMadeUp(locals.person)) && now - askedAt >= MAKING_MS) {
			process.send?.({ makeDemoFor: locals.person.id });
			askedAt = now;
		}
		redirect(303, '/begin/demo');
	},
	leave: async ({ request, locals }) => {
		if (!locals.accounts || locals.isDemo || !locals.person || locals.person.place) redirect(303, '/');
		await request.formData();
		await locals.services.water.leaveMadeUp(locals.person);
		askedAt = 0;
		redirect(303, '/');
	}
} satisfies Actions;
