import { error } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** The next tests of the site's tanks as a file. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return new Response(await locals.services.siteCalendar(open), {
		headers: {
			'cache-control': 'no-store',
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': 'attachment; filename="tevrik-tests.ics"'
		}
	});
}) satisfies RequestHandler;
