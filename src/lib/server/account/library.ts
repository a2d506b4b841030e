import { passkey } from '@better-auth/passkey';
import { betterAuth, type BetterAuthOptions } from 'better-auth';
import { twoFactor } from 'better-auth/plugins/two-factor';
import { username } from 'better-auth/plugins/username';
import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from '$lib/contract/lengths';
import type { Database } from '../db/connect.ts';
import { accountRecords } from '../repository/account.ts';
import { keepingDigests } from './token-digests.ts';

const DAY_SECONDS = 86_400;
export const SESSION_DAYS = 30;
const COOKIES = 'tevrik';
/** Of the token of a session. */
export const SESSION_COOKIE = `${COOKIES}.session_token`;
/** By which the library is told the address that a request came from: it is not to look for one itself. */
export const ADDRESS_HEADER = 'x-tevrik-address';

/** Names differ by their letters, not by case or by how they are spaced. */
export function nameForSignIn(name: string): string {
	return name.normalize('NFKC').trim().replace(/\s+/g, ' ').toLowerCase();
}

/**
 * The library that hashes passwords (scrypt), makes tokens, and knows passkeys and codes of an authenticator.
 *
 * @param secret signs the cookies and enciphers what makes codes; whoever changes it signs everybody out
 * @param hostname the name that passkeys are bound to
 */
export function openLibrary(db: Database, secret: string, hostname: string) {
	const records = accountRecords(db);
	return betterAuth({
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
		// Each deed that needs it asks for the password itself, however old the session is.
		session: { expiresIn: SESSION_DAYS * DAY_SECONDS, updateAge: DAY_SECONDS, freshAge: 0 },
		verification: { storeIdentifier: 'hashed' },
		advanced: {
			cookiePrefix: COOKIES,
			// Whether a cookie is secure is decided where it is set: the same server is reached at home and on the machine itself.
			useSecureCookies: false,
			ipAddress: { ipAddressHeaders: [ADDRESS_HEADER] }
		},
		plugins: [
			username({
				minUsernameLength: 1,
				maxUsernameLength: 80,
				usernameNormalization: nameForSignIn,
				usernameValidator: () => true
			}),
			twoFactor({ issuer: 'Tevrik' }),
			passkey({ rpID: hostname, rpName: 'Tevrik' })
		]
	});
}

export type Library = ReturnType<typeof openLibrary>;
