import { error } from '@sveltejs/kit';
import { isParameterId } from '$lib/core/quantity';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const revise = url.searchParams.get('revise');
	const code = revise ?? url.searchParams.get('from');
	const found = code === null ? null : await locals.services.readMethod(open.scope, code);
	if (code !== null && (!found || (revise !== null && !found.own))) {
		error(404, { message: 'There is no such method.', code: 'not-found' });
	}
	const asked = url.searchParams.get('parameter') ?? '';
	return {
		from: found?.method ?? null,
		parameter: isParameterId(asked) ? asked : null,
		revises: revise !== null
	};
}) satisfies PageServerLoad;
