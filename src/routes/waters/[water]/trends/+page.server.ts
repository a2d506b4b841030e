import { toJson } from '$lib/contract/json';
import { daysOfWindow, TREND_SPANS, type TrendSpan } from '$lib/contract/trends';
import { addDays } from '$lib/core/time';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

const SPANS = Object.keys(TREND_SPANS) as TrendSpan[];

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const span = SPANS.find((s) => s === url.searchParams.get('span')) ?? 'quarter';
	const now = locals.services.clock.now();
	const days = TREND_SPANS[span];
	const { events, ...series } = await locals.services.ask(
		'trends',
		open,
		daysOfWindow(days === null ? open.water.startedAt : addDays(now, -days), now)
	);
	return {
		leftOut: series.leftOut,
		span,
		series: toJson(series),
		events: toJson(
			events.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
		)
	};
}) satisfies PageServerLoad;
