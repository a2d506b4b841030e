import { COMPARED_BY } from '$lib/contract/comparison';
import { isParameterId } from '$lib/core/quantity';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	await services.laboratory.collectAnswers(open.scope);
	const asked = (name: string) => url.searchParams.get(name);
	const parameter = asked('parameter') ?? '';
	return {
		comparison: await services.ask('comparison', open, {
			parameter: isParameterId(parameter) ? parameter : null,
			by: COMPARED_BY.find((by) => by === asked('by')) ?? null,
			first: asked('first'),
			second: asked('second')
		})
	};
}) satisfies PageServerLoad;
