import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** A water's series, for laying it beside another's. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) return json({ fault: { code: 'unknown-item', field: 'water' } }, { status: 404 });
	const { events: _, ...series } = await locals.services.ask('trends', open);
	return json({ value: { name: open.water.name, series } }, { headers: { 'cache-control': 'no-store' } });
}) satisfies RequestHandler;
