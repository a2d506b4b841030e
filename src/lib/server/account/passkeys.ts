import { fail, ok, type Result } from '$lib/core/result';
import { unlessRefused } from './accounts.ts';
import { cookiesOf, type SetCookie } from './cookies.ts';
import type { Library } from './library.ts';

/** What a browser's authenticator is asked, and the cookie that the answer belongs to. */
export interface PasskeyQuestion {
	readonly options: object;
	readonly cookies: readonly SetCookie[];
}

/** Bit 2 of the flags, behind the 32 bytes of the site's digest: the device made sure who holds it. */
const FLAGS_AT = 32;
const USER_VERIFIED = 0b100;

/**
 * Whether the device asked its holder for a finger, a face or digits: only so does a passkey stand for two factors.
 *
 * @see Web Authentication Level 3, section 6.1 (authenticator data)
 */
export function heldByItsOwner(response: unknown): boolean {
	const data = (response as { response?: { authenticatorData?: unknown } } | null)?.response
		?.authenticatorData;
	if (typeof data !== 'string') return false;
	const flags = Buffer.from(data, 'base64url')[FLAGS_AT];
	return flags !== undefined && (flags & USER_VERIFIED) !== 0;
}

/** Passkeys: a device signs what it is asked, and its private key never leaves it. */
export function openPasskeys({ api }: Library) {
	const asked = (headers: Headers) => ({ headers, returnHeaders: true as const });
	return {
		/** Asks a device for a new key for whoever is signed in. */
		async askNew(headers: Headers, name: string): Promise<PasskeyQuestion> {
			const { response, headers: set } = await api.generatePasskeyRegistrationOptions({
				query: { name },
				...asked(headers)
			});
			const options = {
				...response,
				user: { ...response.user, displayName: name },
				authenticatorSelection: {
					...response.authenticatorSelection,
					residentKey: 'required',
					requireResidentKey: true,
					userVerification: 'required'
				}
			};
			return { options, cookies: cookiesOf(set) };
		},

		async add(headers: Headers, name: string, response: unknown): Promise<Result<readonly SetCookie[]>> {
			const added = await unlessRefused(
				() => api.verifyPasskeyRegistration({ body: { response, name }, ...asked(headers) }),
				() => fail('wrong-passkey')
			);
			return added.ok ? ok(cookiesOf(added.value.headers)) : added;
		},

		async ask(headers: Headers): Promise<PasskeyQuestion> {
			const { response, headers: set } = await api.generatePasskeyAuthenticationOptions(asked(headers));
			return { options: { ...response, userVerification: 'required' }, cookies: cookiesOf(set) };
		},

		async signIn(headers: Headers, response: unknown): Promise<Result<readonly SetCookie[]>> {
			if (!heldByItsOwner(response)) return fail('wrong-passkey');
			const signedIn = await unlessRefused(
				() => api.verifyPasskeyAuthentication({ body: { response: response as never }, ...asked(headers) }),
				() => fail('wrong-passkey')
			);
			return signedIn.ok ? ok(cookiesOf(signedIn.value.headers)) : signedIn;
		}
	};
}
