import { toJson } from '$lib/contract/json';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

const LATELY = 5;

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	await services.laboratory.collectAnswers(open.scope);
	const [{ today }, lately, lines, sets] = await Promise.all([
		services.ask('day', open),
		services.log.readRecentEvents(open.scope, open.water.id, LATELY),
		open.siblings.length > 1 ? services.judgement.readLines(open) : [],
		services.bench.readSets(open.scope)
	]);
	return {
		leftOut: today.leftOut,
		today: toJson(today),
		lines,
		sets,
		// For a step that is ticked here: told twice it is kept once.
		stepIds: Object.fromEntries(
			today.plans.flatMap((p) => p.today.map((s) => [`${p.id}/${s.id}`, services.newId()] as const))
		),
		lately: lately.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
	};
}) satisfies PageServerLoad;
