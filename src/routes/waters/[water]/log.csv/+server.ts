import { civilDate } from '$lib/core/time';
import { askedLog } from '../../../asked-log';
import { askedWater } from '../../../asked-water';
import type { RequestHandler } from './$types';

export const GET = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const { before: _, ...search } = askedLog(url.searchParams);
	const pieces = services.log.logCsv(open.scope, {
		...search,
		waterId: search.everywhere ? null : open.water.id,
		by: search.by || null,
		units: locals.preferences.units
	});
	const name = open.water.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
	const text = new TextEncoder();
	const file = new ReadableStream<Uint8Array>({
		async pull(to) {
			const { done, value } = await pieces.next();
			if (done) to.close();
			else to.enqueue(text.encode(value));
		},
		async cancel() {
			await pieces.return();
		}
	});
	return new Response(file, {
		headers: {
			'cache-control': 'no-store',
			'content-type': 'text/csv; charset=utf-8',
			'content-disposition': `attachment; filename="tevrik-${name}-${civilDate(services.clock.now(), open.scope.timeZone)}.csv"`
		}
	});
}) satisfies RequestHandler;
