import { toJson } from '$lib/contract/json';
import { packed } from '$lib/contract/log';
import { askedLog } from '../../../asked-log';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	await locals.services.laboratory.collectAnswers(open.scope);
	const search = askedLog(url.searchParams);
	const [page, readers] = await Promise.all([
		locals.services.log.readLog(open.scope, {
			...search,
			waterId: search.everywhere ? null : open.water.id,
			by: search.by || null,
			units: locals.preferences.units
		}),
		locals.services.log.readersOf(open.scope)
	]);
	return { entries: toJson(packed(page.entries)), older: page.older, search, readers };
}) satisfies PageServerLoad;
