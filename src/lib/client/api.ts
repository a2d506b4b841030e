import type { Fault } from '$lib/core/result';

export type Answer<T> =
	| { readonly kind: 'ok'; readonly value: T }
	| { readonly kind: 'refused'; readonly fault: Fault }
	/** The server cannot be reached or fails just now; sending again later is safe. */
	| { readonly kind: 'away'; readonly message: string };

/** Sends a command as JSON. The command has its own id, so that sending it again stores it once. */
export async function send<T>(url: string, command: unknown): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(url, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(command)
		});
	} catch {
		return { kind: 'away', message: 'The server cannot be reached. Your reading is kept on this device.' };
	}
	const body = (await response.json().catch(() => null)) as
		{ value: T } | { fault: Fault } | { message: string } | null;
	if (response.ok && body && 'value' in body) return { kind: 'ok', value: body.value };
	if (body && 'fault' in body) return { kind: 'refused', fault: body.fault };
	return {
		kind: 'away',
		message: `${body && 'message' in body ? body.message : 'The server did not answer as expected.'} Your reading is kept on this device.`
	};
}
