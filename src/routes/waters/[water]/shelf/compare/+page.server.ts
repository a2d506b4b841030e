import { error } from '@sveltejs/kit';
import { isParameterId } from '$lib/core/quantity';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const asked = url.searchParams.get('parameter') ?? '';
	const parameter = isParameterId(asked) ? asked : 'alkalinity';
	return {
		parameter,
		kits: await locals.services.ask('kits', open, locals.preferences, parameter)
	};
}) satisfies PageServerLoad;
