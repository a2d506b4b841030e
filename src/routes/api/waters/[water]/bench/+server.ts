import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** What the bench needs to know of another water, to test it in the same session. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) return json({ fault: { code: 'unknown-item', field: 'water' } }, { status: 404 });
	const bench = await locals.services.ask('bench', open, locals.preferences);
	return json({ value: bench }, { headers: { 'cache-control': 'no-store' } });
}) satisfies RequestHandler;
