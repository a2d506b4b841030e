import { toJson } from '$lib/contract/json';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const bench = await locals.services.bench.readBench(open, locals.preferences);
	return { leftOut: bench.leftOut, bench: toJson(bench) };
}) satisfies PageServerLoad;
