import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** What the bench needs to know of another water, to test it in the same session. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) return json({ fault: { code: 'unknown-item', field: 'water' } }, { status: 404 });
	const { services, preferences } = locals;
	const value = await services.bench.readBench(open, preferences);
	return json({ value }, { headers: { 'cache-control': 'no-store' } });
}) satisfies RequestHandler;
