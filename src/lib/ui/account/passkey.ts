import { startAuthentication, startRegistration } from '@simplewebauthn/browser';

type Answer = Readonly<Record<string, unknown>> & { readonly message?: string };

/** Words for whoever waits: what went wrong, or null where it worked. */
type Said = string | null;

const CANCELLED =
	'The device did not answer, or was told not to. Nothing was changed; try again when you like.';
const UNREACHED = 'The server was not reached. Nothing was changed; try again.';

async function post(address: string, body: object): Promise<{ ok: boolean; answer: Answer }> {
	const response = await fetch(address, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});
	return { ok: response.ok, answer: (await response.json()) as Answer };
}

/** Asks, has the device sign, and hands in what it signed. */
async function ceremony(
	address: string,
	question: object,
	sign: (options: never) => Promise<unknown>,
	more: object
): Promise<Said> {
	try {
		const asked = await post(address, question);
		if (!asked.ok) return asked.answer.message ?? UNREACHED;
		let response: unknown;
		try {
			response = await sign(asked.answer.options as never);
		} catch {
			return CANCELLED;
		}
		const done = await post(address, { response, ...more });
		return done.ok ? null : (done.answer.message ?? UNREACHED);
	} catch {
		return UNREACHED;
	}
}

export const signInByPasskey = (): Promise<Said> =>
	ceremony('/sign-in/passkey', {}, (optionsJSON) => startAuthentication({ optionsJSON }), {});

export const addPasskey = (password: string, name: string): Promise<Said> =>
	ceremony('/account/passkeys', { password }, (optionsJSON) => startRegistration({ optionsJSON }), { name });

/** Whether this browser knows passkeys at all, and was reached by a name that one can be bound to. */
export const takesPasskeys = (): boolean =>
	typeof PublicKeyCredential !== 'undefined' && !/^[\d.]+$|^\[/.test(location.hostname);
