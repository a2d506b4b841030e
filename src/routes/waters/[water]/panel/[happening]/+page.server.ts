import { error } from '@sveltejs/kit';
import { PANELS, type PanelHappening } from '$lib/core/judgement';
import type { PageServerLoad } from './$types';

const isPanel = (text: string): text is PanelHappening => Object.hasOwn(PANELS, text);

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	if (!isPanel(params.happening)) error(404, { message: 'There is no such panel.', code: 'not-found' });
	const event = url.searchParams.get('event');
	return {
		panel: await locals.services.ask('panel', open, params.happening, event)
	};
}) satisfies PageServerLoad;
