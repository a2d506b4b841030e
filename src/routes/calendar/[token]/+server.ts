import type { RequestHandler } from './$types';

const TOKEN = /^[A-Za-z0-9_-]{43}$/;

/** A private address that a calendar program asks by itself, without a sign-in. Unknown and revoked answer alike. */
export const GET = (async ({ locals, params }) => {
	const token = params.token.replace(/\.ics$/, '');
	const text = TOKEN.test(token) ? await locals.services.calendar.feedCalendar(token) : null;
	if (text === null) return new Response('There is no such calendar.\n', { status: 404 });
	return new Response(text, {
		headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, no-store' }
	});
}) satisfies RequestHandler;
