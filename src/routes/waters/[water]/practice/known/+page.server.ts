import { error } from '@sveltejs/kit';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const series = await locals.services.practice.readKnown(
		open.scope,
		url.searchParams.get('kit'),
		locals.preferences
	);
	if (!series)
		error(404, {
			message: 'No kit of this house can be practised. Choose your kits first.',
			code: 'not-found'
		});
	return { series };
}) satisfies PageServerLoad;
