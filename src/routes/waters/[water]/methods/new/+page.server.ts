import { error } from '@sveltejs/kit';
import { isParameterId } from '$lib/core/quantity';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const revise = url.searchParams.get('revise');
	const code = revise ?? url.searchParams.get('from');
	const found = code === null ? null : await locals.services.method.readMethod(open.scope, code);
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
