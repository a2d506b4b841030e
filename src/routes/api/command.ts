import { json, type RequestEvent } from '@sveltejs/kit';
import { fail, type Fault, type Result } from '$lib/core/result';
import type { OpenWater } from '$lib/server/service/water/open-water';

/** A test with a long step log is a few kilobytes; more than this is no test. */
const MOST_BYTES = 256 * 1024;

const STATUS: Partial<Record<Fault['code'], number>> = {
	'unknown-item': 404,
	'id-taken': 409,
	'already-corrected': 409,
	'too-large': 413,
	'not-signed-in': 401,
	'not-allowed': 403
};

export function refuse(fault: Fault, status = STATUS[fault.code] ?? 400): Response {
	return json({ fault }, { status });
}

/**
 * Answers a JSON command for one water: same origin, application/json, checked against its schema, and carried
 * out by one use case. The command's own water must be the one of the address.
 */
export async function answerCommand<C, A>(
	event: RequestEvent<{ water: string }>,
	check: (body: unknown) => Result<C>,
	carryOut: (open: OpenWater, command: C) => Promise<Result<A>>
): Promise<Response> {
	const { request, locals, params, url } = event;
	if (request.headers.get('origin') !== url.origin) {
		return json({ message: 'Commands are taken from this site’s own pages only.' }, { status: 403 });
	}
	if (!/^application\/json\b/.test(request.headers.get('content-type') ?? '')) {
		return json({ message: 'Commands are sent as application/json.' }, { status: 415 });
	}
	if (!locals.person) return refuse({ code: 'not-signed-in' });
	const open = await locals.openWater(params.water);
	if (!open) return refuse({ code: 'unknown-item', field: 'waterId' });
	const text = await request.text();
	if (text.length > MOST_BYTES) {
		return refuse(fail('too-large', 'body', { most: MOST_BYTES / 1024, unit: 'kB' }).fault);
	}
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch {
		return refuse(fail('invalid-field', 'body', { rule: 'not-json' }).fault);
	}
	const checked = check(body);
	if (!checked.ok) return refuse(checked.fault);
	if ((checked.value as { readonly waterId?: string }).waterId !== open.water.id) {
		return refuse({ code: 'unknown-item', field: 'waterId' });
	}
	const outcome = await carryOut(open, checked.value);
	return outcome.ok ? json({ value: outcome.value }) : refuse(outcome.fault);
}
