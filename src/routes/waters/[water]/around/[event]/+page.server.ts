import { error } from '@sveltejs/kit';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

const UUID = /^[0-9a-f-]{36}$/;

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const around = UUID.test(params.event) ? await locals.services.ask('around', open, params.event) : null;
	if (!around) error(404, { message: 'Nothing of that happened to this water.', code: 'not-found' });
	return { around };
}) satisfies PageServerLoad;
