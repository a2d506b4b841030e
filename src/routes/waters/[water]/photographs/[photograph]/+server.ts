import { createHash } from 'node:crypto';
import { error } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

const UUID = /^[0-9a-f-]{36}$/;

/** The picture or voice note as it is kept. Only the site's own members get it, and only while it was not taken back: it is asked for each time. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	const found =
		open && UUID.test(params.photograph)
			? await locals.services.log.readPhotograph(open.scope, params.photograph)
			: null;
	if (!found) error(404, { message: 'There is no such photograph.', code: 'not-found' });
	return new Response(new Uint8Array(found.content), {
		headers: {
			etag: `"${createHash('sha256').update(found.content).digest('hex').slice(0, 32)}"`,
			'content-type': found.mediaType,
			'content-security-policy': "default-src 'none'",
			'x-content-type-options': 'nosniff'
		}
	});
}) satisfies RequestHandler;
