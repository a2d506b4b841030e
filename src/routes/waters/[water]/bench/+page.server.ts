import { toJson } from '$lib/contract/json';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const asked = (name: string) => url.searchParams.get(name);
	const { services, preferences } = locals;
	const bench = await services.bench.readBench(open, preferences);
	return {
		leftOut: bench.leftOut,
		bench: toJson(bench),
		asked: {
			method: asked('method'),
			kit: asked('kit'),
			standard: asked('standard'),
			what: asked('what'),
			set: asked('set'),
			tests: (asked('tests') ?? '').split(',').filter(Boolean),
			times: Math.min(3, Math.max(1, Math.round(Number(asked('times') ?? 1)) || 1))
		}
	};
}) satisfies PageServerLoad;
