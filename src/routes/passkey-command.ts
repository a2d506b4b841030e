import { json, type RequestEvent } from '@sveltejs/kit';
import { faultText } from '$lib/format/faults/faults';
import type { Fault } from '$lib/core/result';

/** An answer of an authenticator is a few kilobytes. */
const MOST_LETTERS = 64 * 1024;

/** Reads what a page of ours sends about a passkey; a refusal where it is none of ours, or nothing that can be read. */
export async function passkeyCommand({
	request,
	url
}: RequestEvent): Promise<Readonly<Record<string, unknown>> | Response> {
	const isOurs = request.headers.get('origin') === url.origin;
	const isJson = /^application\/json\b/.test(request.headers.get('content-type') ?? '');
	if (!isOurs) return said('Commands are taken from this site’s own pages only.', 403);
	if (!isJson) return said('Commands are sent as application/json.', 415);
	const text = await request.text();
	try {
		const body: unknown = text.length > MOST_LETTERS ? null : JSON.parse(text);
		if (typeof body === 'object' && body !== null) return body as Readonly<Record<string, unknown>>;
	} catch {
		// Told below, as everything that cannot be read.
	}
	return said('What was sent cannot be read. Reload the page and try again.', 400);
}

const said = (message: string, status: number) => json({ message }, { status });

/** The refusal in words, for the page to show. */
export function passkeyRefused(fault: Fault): Response {
	return json({ fault, message: faultText(fault) }, { status: 400 });
}
