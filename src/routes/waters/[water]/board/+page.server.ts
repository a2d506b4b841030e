import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open || !locals.person) error(404, { message: 'There is no such water.', code: 'not-found' });
	return { board: await locals.services.judgement.readBoard(open) };
}) satisfies PageServerLoad;
