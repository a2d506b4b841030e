import { error } from '@sveltejs/kit';
import { toJson } from '$lib/contract/json';
import type { PageServerLoad } from './$types';

const LATELY = 5;

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const { services } = locals;
	await services.collectAnswers(open.scope);
	const [{ today }, lately, lines] = await Promise.all([
		services.ask('day', open),
		services.readRecentEvents(open.scope, open.water.id, LATELY),
		open.siblings.length > 1 ? services.readLines(open) : []
	]);
	return {
		leftOut: today.leftOut,
		today: toJson(today),
		lines,
		lately: lately.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
	};
}) satisfies PageServerLoad;
