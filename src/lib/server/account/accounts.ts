import { betterAuth, type BetterAuthOptions } from 'better-auth';
import { APIError } from 'better-auth/api';
import { username } from 'better-auth/plugins/username';
import { SHORTEST_PASSWORD, LONGEST_PASSWORD } from '$lib/contract/account';
import { fail, ok, type Result } from '$lib/core/result';
import type { Database } from '../db/connect.ts';
import { accountRecords } from '../repository/account.ts';
import { keepingDigests } from './token-digests.ts';

/** Whoever gives no address has one that leads nowhere (RFC 2606). */
const NO_MAIL = 'no-mail.invalid';
const DAY_SECONDS = 86_400;
const SESSION_DAYS = 30;

export interface Credentials {
	readonly name: string;
	readonly password: string;
}

/** A cookie that the browser is to keep, or to forget where it has no time left. */
export interface SetCookie {
	readonly name: string;
	readonly value: string;
	readonly maxAge: number | null;
}

export interface SignedIn {
	readonly userId: string;
	readonly cookies: readonly SetCookie[];
}

/** Names differ by their letters, not by case or by how they are spaced. */
export function nameForSignIn(name: string): string {
	return name.normalize('NFKC').trim().replace(/\s+/g, ' ').toLowerCase();
}

function cookiesOf(headers: Headers): SetCookie[] {
	return headers.getSetCookie().map((line) => {
		const [pair = '', ...attributes] = line.split(/;\s*/);
		const at = pair.indexOf('=');
		const age = attributes.map((a) => /^max-age=(-?\d+)$/i.exec(a)?.[1]).find((a) => a !== undefined);
		return {
			name: pair.slice(0, at),
			value: decodeURIComponent(pair.slice(at + 1)),
			maxAge: age === undefined ? null : Number(age)
		};
	});
}

/**
 * Who may sign in, by a kept library that hashes passwords (scrypt) and makes the tokens of sessions.
 *
 * @param secret signs the cookies; whoever changes it signs everybody out
 */
export function openAccounts(db: Database, secret: string) {
	const records = accountRecords(db);
	const auth = betterAuth({
		appName: 'Tevrik',
		// Never asked by its own address, but the library wants one.
		baseURL: 'http://localhost',
		secret,
		telemetry: { enabled: false },
		logger: { disabled: true },
		database: (options: BetterAuthOptions) => keepingDigests(records(options)),
		emailAndPassword: {
			enabled: true,
			minPasswordLength: SHORTEST_PASSWORD,
			maxPasswordLength: LONGEST_PASSWORD
		},
		session: { expiresIn: SESSION_DAYS * DAY_SECONDS, updateAge: DAY_SECONDS },
		// Whether a cookie is secure is decided where it is set: the same server is reached at home and on the machine itself.
		advanced: { cookiePrefix: 'tevrik', useSecureCookies: false },
		plugins: [
			username({
				minUsernameLength: 1,
				maxUsernameLength: 80,
				usernameNormalization: nameForSignIn,
				usernameValidator: () => true
			})
		]
	});

	return {
		/** Makes an account and signs it in. */
		async signUp({
			name,
			password,
			email
		}: Credentials & { readonly email: string | null }): Promise<Result<SignedIn>> {
			const address = email ?? `${crypto.randomUUID()}@${NO_MAIL}`;
			try {
				const { headers, response } = await auth.api.signUpEmail({
					body: { name, password, email: address, username: name, displayUsername: name },
					returnHeaders: true
				});
				return ok({ userId: response.user.id, cookies: cookiesOf(headers) });
			} catch (fault) {
				if (!(fault instanceof APIError)) throw fault;
				return /email/i.test(String(fault.body?.code))
					? fail('email-taken', 'email')
					: fail('name-taken', 'name');
			}
		},

		/** A wrong name and a wrong password are told alike. */
		async signIn({ name, password }: Credentials): Promise<Result<SignedIn>> {
			try {
				const { headers, response } = name.includes('@')
					? await auth.api.signInEmail({ body: { email: name.trim(), password }, returnHeaders: true })
					: await auth.api.signInUsername({ body: { username: name, password }, returnHeaders: true });
				return response
					? ok({ userId: response.user.id, cookies: cookiesOf(headers) })
					: fail('wrong-sign-in');
			} catch (fault) {
				if (!(fault instanceof APIError)) throw fault;
				return fail('wrong-sign-in');
			}
		},

		/** Whose session a request belongs to; cookies where its time was prolonged. */
		async sessionOf(headers: Headers): Promise<SignedIn | null> {
			if (!headers.get('cookie')?.includes('tevrik.session_token')) return null;
			const { headers: set, response } = await auth.api.getSession({ headers, returnHeaders: true });
			return response && { userId: response.user.id, cookies: cookiesOf(set) };
		},

		/** Ends a session; the cookies to be forgotten. */
		async signOut(headers: Headers): Promise<readonly SetCookie[]> {
			const { headers: set } = await auth.api.signOut({ headers, returnHeaders: true });
			return cookiesOf(set);
		},

		/** Takes an account away again whose making was not finished. */
		async forget(userId: string): Promise<void> {
			const { internalAdapter } = await auth.$context;
			await internalAdapter.deleteUser(userId);
		}
	};
}

export type Accounts = ReturnType<typeof openAccounts>;
