import { APIError } from 'better-auth/api';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { fail, ok, type Result } from '$lib/core/result';
import type { Database } from '../db/connect.ts';
import { passwordHashOf } from '../repository/account.ts';
import { cookieIn, cookiesOf, type SetCookie } from './cookies.ts';
import { SESSION_COOKIE, type Library } from './library.ts';

/** Whoever gives no address has one that leads nowhere (RFC 2606). */
const NO_MAIL = 'no-mail.invalid';

export interface Credentials {
	readonly name: string;
	readonly password: string;
}

export interface SignedIn {
	readonly userId: string;
	readonly cookies: readonly SetCookie[];
}

/** A session that stands, as it is kept. */
export interface StandingSession extends SignedIn {
	readonly sessionId: string;
}

/** Where mail reaches somebody; null where they gave no address. */
export function mailAddress(email: string): string | null {
	return email.endsWith(`@${NO_MAIL}`) ? null : email;
}

/** What stands in the way of a new account, by the library's word for it. */
const REFUSED_SIGN_UP: Readonly<Record<string, Result<never>>> = {
	USER_ALREADY_EXISTS_USE_ANOTHER_EMAIL: fail('email-taken', 'email'),
	INVALID_EMAIL: fail('invalid-field', 'email', { rule: 'address' })
};

/** What the library refuses is the sender's fault; all else is ours. */
export async function unlessRefused<T>(
	work: () => Promise<T>,
	refused: (fault: APIError) => Result<never>
): Promise<Result<T>> {
	try {
		return ok(await work());
	} catch (fault) {
		if (!(fault instanceof APIError)) throw fault;
		return refused(fault);
	}
}

/** Who may sign in: accounts, their passwords and sessions. */
export function openAccounts(db: Database, { api, $context }: Library) {
	return {
		/** Makes an account and signs it in. */
		async signUp(
			{ name, password, email }: Credentials & { readonly email: string | null },
			headers: Headers
		): Promise<Result<SignedIn>> {
			const address = email ?? `${crypto.randomUUID()}@${NO_MAIL}`;
			const body = {
				name,
				password,
				email: address,
				username: name,
				displayName: name,
				displayUsername: name
			};
			const made = await unlessRefused(
				() => api.signUpEmail({ body, headers: withoutCookies(headers), returnHeaders: true }),
				({ body: said }) => REFUSED_SIGN_UP[said?.code ?? ''] ?? fail('name-taken', 'name')
			);
			if (!made.ok) return made;
			return ok({ userId: made.value.response.user.id, cookies: cookiesOf(made.value.headers) });
		},

		/**
		 * A wrong name and a wrong password are told alike, and take as long. Whoever has a second factor is not signed in by
		 * it yet: `userId` is null then, and the cookies hold what the second step needs.
		 */
		async signIn(
			{ name, password }: Credentials,
			headers: Headers
		): Promise<Result<{ readonly userId: string | null; readonly cookies: readonly SetCookie[] }>> {
			const asked = { headers: withoutCookies(headers), returnHeaders: true as const };
			const signedIn = await unlessRefused(
				async (): Promise<{ readonly headers: Headers; readonly response: object | null }> =>
					name.includes('@')
						? api.signInEmail({ body: { email: name.trim(), password }, ...asked })
						: api.signInUsername({ body: { username: name, password }, ...asked }),
				() => fail('wrong-sign-in')
			);
			if (!signedIn.ok) return signedIn;
			const { response, headers: set } = signedIn.value;
			if (!response) return fail('wrong-sign-in');
			const { user } = response as { readonly user?: { readonly id: string } };
			return ok({ userId: user?.id ?? null, cookies: cookiesOf(set) });
		},

		/** Whose session a request belongs to; cookies where its time was prolonged. */
		async sessionOf(headers: Headers): Promise<StandingSession | null> {
			if (cookieIn(headers, SESSION_COOKIE) === null) return null;
			const { headers: set, response } = await api.getSession({ headers, returnHeaders: true });
			return (
				response && { userId: response.user.id, sessionId: response.session.id, cookies: cookiesOf(set) }
			);
		},

		/** Ends a session; the cookies to be forgotten. */
		async signOut(headers: Headers): Promise<readonly SetCookie[]> {
			const { headers: set } = await api.signOut({ headers, returnHeaders: true });
			return cookiesOf(set);
		},

		/** Whether somebody who is signed in knows their password, asked before anything that is hard to take back. */
		async knowsPassword(userId: string, password: string): Promise<boolean> {
			const hash = await passwordHashOf(db, userId);
			return hash !== null && (await verifyPassword({ hash, password }));
		},

		async setPassword(userId: string, password: string): Promise<void> {
			const { internalAdapter } = await $context;
			await internalAdapter.updatePassword(userId, await hashPassword(password));
		},

		/** Takes an account away, with all by which somebody could sign in as it. */
		async forget(userId: string): Promise<void> {
			const { internalAdapter } = await $context;
			await internalAdapter.deleteUser(userId);
		}
	};
}

/** A sign-in stands on nothing that came with it: what was there before is not taken over (session fixation). */
function withoutCookies(headers: Headers): Headers {
	const own = new Headers(headers);
	own.delete('cookie');
	return own;
}

export type Accounts = ReturnType<typeof openAccounts>;
