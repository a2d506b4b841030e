import { error } from '@sveltejs/kit';
import { PANELS, type PanelHappening } from '$lib/core/judgement';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

const isPanel = (text: string): text is PanelHappening => Object.hasOwn(PANELS, text);

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	if (!isPanel(params.happening)) error(404, { message: 'There is no such panel.', code: 'not-found' });
	const event = url.searchParams.get('event');
	return {
		panel: await locals.services.ask('panel', open, params.happening, event)
	};
}) satisfies PageServerLoad;
