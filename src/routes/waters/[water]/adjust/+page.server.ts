import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const answer = await locals.services.ask('adjust', open);
	return { leftOut: answer.leftOut, answer };
}) satisfies PageServerLoad;
