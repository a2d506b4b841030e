import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const answer = await locals.services.ask('adjust', open);
	return { leftOut: answer.leftOut, answer };
}) satisfies PageServerLoad;
