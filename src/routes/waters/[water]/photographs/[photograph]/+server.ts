import { error } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

const UUID = /^[0-9a-f-]{36}$/;

/** The picture as it is kept; it never changes, and only the site's own members get it. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	const found =
		open && UUID.test(params.photograph)
			? await locals.services.readPhotograph(open.scope, params.photograph)
			: null;
	if (!found) error(404, { message: 'There is no such photograph.', code: 'not-found' });
	return new Response(new Uint8Array(found.content), {
		headers: {
			'content-type': found.mediaType,
			'cache-control': 'private, max-age=31536000, immutable',
			'content-security-policy': "default-src 'none'",
			'x-content-type-options': 'nosniff'
		}
	});
}) satisfies RequestHandler;
