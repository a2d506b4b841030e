import { error } from '@sveltejs/kit';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const found = await services.method.readMethod(open.scope, params.code);
	if (!found) error(404, { message: 'There is no such method.', code: 'not-found' });
	const moves =
		found.versions.length > 1 ? await services.method.previewDerivation(open.scope, params.code) : null;
	return { ...found, moves };
}) satisfies PageServerLoad;
