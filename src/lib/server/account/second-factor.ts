import { fail, ok, type Result } from '$lib/core/result';
import { unlessRefused } from './accounts.ts';
import { cookiesOf, type SetCookie } from './cookies.ts';
import type { Library } from './library.ts';

/** Six digits of an authenticator; anything else is taken for a spare code. */
const TIMED = /^\d{6}$/;

/** What an authenticator is told, and the codes for when it is lost. Shown once. */
export interface SecondFactorStart {
	readonly uri: string;
	readonly spareCodes: readonly string[];
	readonly cookies: readonly SetCookie[];
}

/** The account is called by its person's name there, and not by the address that it may have been given by us. */
function named(uri: string, name: string): string {
	return uri.replace(/(otpauth:\/\/totp\/[^:?]*:)[^?]*/, `$1${encodeURIComponent(name)}`);
}

/**
 * Codes of an authenticator that change each half minute.
 *
 * @see RFC 6238 (TOTP: time-based one-time passwords)
 */
export function openSecondFactor({ api }: Library) {
	const asked = (headers: Headers) => ({ headers, returnHeaders: true as const });
	return {
		/** Begins; it counts only when a first code was typed in. */
		async begin(headers: Headers, password: string, name: string): Promise<Result<SecondFactorStart>> {
			const begun = await unlessRefused(
				() => api.enableTwoFactor({ body: { password, method: 'totp' }, ...asked(headers) }),
				() => fail('wrong-password', 'password')
			);
			if (!begun.ok) return begun;
			const { response, headers: set } = begun.value;
			if (response.method !== 'totp') throw new Error('another second factor than was asked for');
			return ok({
				uri: named(response.totpURI, name),
				spareCodes: response.backupCodes,
				cookies: cookiesOf(set)
			});
		},

		/** The code of somebody who is signed in, or whose password was right a moment ago. */
		async show(headers: Headers, typed: string): Promise<Result<readonly SetCookie[]>> {
			const code = typed.replace(/\s+/g, '');
			const shown = await unlessRefused(
				() =>
					TIMED.test(code)
						? api.verifyTOTP({ body: { code }, ...asked(headers) })
						: api.verifyBackupCode({ body: { code }, ...asked(headers) }),
				() => fail('wrong-second-factor', 'code')
			);
			return shown.ok ? ok(cookiesOf(shown.value.headers)) : shown;
		},

		async end(headers: Headers, password: string): Promise<Result<readonly SetCookie[]>> {
			const ended = await unlessRefused(
				() => api.disableTwoFactor({ body: { password }, ...asked(headers) }),
				() => fail('wrong-password', 'password')
			);
			return ended.ok ? ok(cookiesOf(ended.value.headers)) : ended;
		}
	};
}
