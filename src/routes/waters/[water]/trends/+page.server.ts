import { error } from '@sveltejs/kit';
import { TREND_SPANS, type TrendSpan } from '$lib/contract/trends';
import type { PageServerLoad } from './$types';

const SPANS = Object.keys(TREND_SPANS) as TrendSpan[];

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	const span = SPANS.find((s) => s === url.searchParams.get('span')) ?? 'quarter';
	const trends = await locals.services.readTrends(open.scope, open.water, span);
	return { span, spans: SPANS, ...trends };
}) satisfies PageServerLoad;
