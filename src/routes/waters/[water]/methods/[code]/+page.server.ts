import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const { services } = locals;
	const found = await services.readMethod(open.scope, params.code);
	if (!found) error(404, { message: 'There is no such method.', code: 'not-found' });
	const moves = found.versions.length > 1 ? await services.previewDerivation(open.scope, params.code) : null;
	return { ...found, moves };
}) satisfies PageServerLoad;
