import { json } from '@sveltejs/kit';
import { MOST_PHOTOGRAPH_BYTES } from '$lib/contract/photograph';
import { fail } from '$lib/core/result';
import { refuse } from '../../../command';
import type { RequestHandler } from './$types';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

/** Takes the bytes of a photograph or of a voice note: ?id=…&run=… or &item=…, with the file as the body. */
export const POST = (async ({ request, locals, params, url }) => {
	if (request.headers.get('origin') !== url.origin) {
		return json({ message: 'Photographs are taken from this site’s own pages only.' }, { status: 403 });
	}
	if (!locals.person) return refuse({ code: 'not-signed-in' });
	const open = await locals.openWater(params.water);
	if (!open) return refuse({ code: 'unknown-item', field: 'waterId' });
	const id = url.searchParams.get('id') ?? '';
	const runId = url.searchParams.get('run');
	const itemId = url.searchParams.get('item');
	const of = runId ? { runId } : itemId ? { itemId } : null;
	if (!UUID.test(id) || !of || !UUID.test(runId ?? itemId ?? '')) {
		return refuse(fail('unknown-item', 'of').fault);
	}
	if (Number(request.headers.get('content-length')) > MOST_PHOTOGRAPH_BYTES) {
		return refuse(fail('too-large', 'photograph', { most: MOST_PHOTOGRAPH_BYTES / 1e6, unit: 'MB' }).fault);
	}
	const bytes = new Uint8Array(await request.arrayBuffer());
	const outcome = await locals.services.log.keepPhotograph(open.scope, { id, of, bytes });
	return outcome.ok ? json({ value: outcome.value }) : refuse(outcome.fault);
}) satisfies RequestHandler;
