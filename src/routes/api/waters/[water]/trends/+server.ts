import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Beyond any calendar; a span is clipped to what there is to see. */
const MOST_DAYS = 100_000;

/** What is seen of a water as one moves along its time, and of another that is laid beside it. */
export const GET = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) return json({ fault: { code: 'unknown-item', field: 'water' } }, { status: 404 });
	const day = (name: string) => {
		const text = url.searchParams.get(name) ?? '';
		return /^\d{1,6}$/.test(text) && Number(text) <= MOST_DAYS ? Number(text) : null;
	};
	const [fromDay, toDay] = [day('fromDay'), day('toDay')];
	if (fromDay === null || toDay === null || toDay < fromDay) {
		const field = fromDay === null ? 'fromDay' : 'toDay';
		return json(
			{ fault: { code: 'invalid-field', field }, message: 'The span is no span of days. Reload the page.' },
			{ status: 400 }
		);
	}
	const { events, ...series } = await locals.services.ask('trends', open, { fromDay, toDay });
	const seen = events.map(({ id, kind, details, note, happenedAt }) => ({
		id,
		kind,
		details,
		note,
		happenedAt
	}));
	return json(
		{ value: { name: open.water.name, series, events: seen } },
		{ headers: { 'cache-control': 'no-store' } }
	);
}) satisfies RequestHandler;
