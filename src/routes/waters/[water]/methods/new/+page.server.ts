import { error } from '@sveltejs/kit';
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
	return { from: found?.method ?? null, revises: revise !== null };
}) satisfies PageServerLoad;
