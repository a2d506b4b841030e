import { error } from '@sveltejs/kit';
import { METHOD_FILE_FORMAT, METHOD_FILE_VERSION, type MethodFile } from '$lib/contract/method';
import type { RequestHandler } from './$types';

/** The method as a file, to keep or to give away. */
export const GET = (async ({ locals, params }) => {
	const open = await locals.openWater(params.water);
	const found = open && (await locals.services.method.readMethod(open.scope, params.code));
	if (!found) error(404, { message: 'There is no such method.', code: 'not-found' });
	const file: MethodFile = {
		format: METHOD_FILE_FORMAT,
		formatVersion: METHOD_FILE_VERSION,
		method: found.method
	};
	return new Response(`${JSON.stringify(file, null, '\t')}\n`, {
		headers: {
			'cache-control': 'no-store',
			'content-type': 'application/json',
			'content-disposition': `attachment; filename="${found.method.code}-v${found.method.version}.json"`
		}
	});
}) satisfies RequestHandler;
