import { askedWater } from '../../../asked-water';
import type { RequestHandler } from './$types';

/** The next tests of the site's tanks as a file. */
export const GET = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	return new Response(await locals.services.calendar.siteCalendar(open), {
		headers: {
			'cache-control': 'no-store',
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': 'attachment; filename="tevrik-tests.ics"'
		}
	});
}) satisfies RequestHandler;
