import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

const LATELY = 5;

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const { services } = locals;
	const [today, lately] = await Promise.all([
		services.readToday(open.scope, open.water),
		services.readRecentEvents(open.scope, open.water.id, LATELY)
	]);
	return {
		...today,
		lately: lately.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
	};
}) satisfies PageServerLoad;
