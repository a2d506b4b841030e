import { error } from '@sveltejs/kit';
import { TREND_SPANS, type TrendSpan } from '$lib/contract/trends';
import type { PageServerLoad } from './$types';

const SPANS = Object.keys(TREND_SPANS) as TrendSpan[];

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const { events, ...series } = await locals.services.ask('trends', open);
	return {
		leftOut: series.leftOut,
		span: SPANS.find((s) => s === url.searchParams.get('span')) ?? 'quarter',
		series,
		events: events.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
	};
}) satisfies PageServerLoad;
