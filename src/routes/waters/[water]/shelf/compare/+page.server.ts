import { isParameterId } from '$lib/core/quantity';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const asked = url.searchParams.get('parameter') ?? '';
	const parameter = isParameterId(asked) ? asked : 'alkalinity';
	return {
		parameter,
		kits: await locals.services.ask('kits', open, locals.preferences, parameter)
	};
}) satisfies PageServerLoad;
