import { toJson } from '$lib/contract/json';
import { readTrendAddress } from '$lib/contract/trend-address';
import { daysOfWindow, TREND_SPANS } from '$lib/contract/trends';
import { addDays } from '$lib/core/time';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { span, from, to } = readTrendAddress(url.searchParams);
	const now = locals.services.clock.now();
	const days = span === null ? null : TREND_SPANS[span];
	const earliest = open.water.startedAt;
	const { events, ...series } = await locals.services.ask(
		'trends',
		open,
		from !== null && to !== null
			? daysOfWindow(from, to)
			: daysOfWindow(days === null ? earliest : addDays(now, -days), now)
	);
	return {
		leftOut: series.leftOut,
		series: toJson(series),
		events: toJson(
			events.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
		)
	};
}) satisfies PageServerLoad;
