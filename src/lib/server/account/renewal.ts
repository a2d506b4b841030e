import { constantTimeEqual, makeSignature } from 'better-auth/crypto';
import { randomBytes } from 'node:crypto';
import { addDays, type Clock, type Instant } from '$lib/core/time';
import type { Database } from '../db/connect.ts';
import { digestOf } from '../digest.ts';
import {
	endSession,
	renewalOf,
	renewedFrom,
	renewToken,
	takeUpToken,
	type Renewal
} from '../repository/account-session.ts';
import { cookieIn, type SetCookie } from './cookies.ts';
import { SESSION_COOKIE, SESSION_DAYS } from './library.ts';

/** So old a token gets before it is replaced. */
const TOKEN_DAYS = 1;
/** What was asked for at the same time as the new token was made still comes with the old one. */
const GRACE_DAYS = 1 / (24 * 60);

/**
 * Tokens of sessions that change as they are used: whoever copied one holds it for a day at most, and if both go on using
 * the session, it ends for both. The old token is good until the new one was shown once, since an answer may be lost.
 *
 * @see RFC 9700, section 4.14.2 (rotation with detection of use by two parties), there for refresh tokens
 */
export function openRenewal({ db, clock }: { readonly db: Database; readonly clock: Clock }, secret: string) {
	async function cookieOf(token: string): Promise<SetCookie> {
		const value = `${token}.${await makeSignature(token, secret)}`;
		return { name: SESSION_COOKIE, value, maxAge: SESSION_DAYS * 86_400 };
	}

	/** The token of a cookie that was signed here; null of any other. */
	async function tokenIn(headers: Headers): Promise<string | null> {
		const value = cookieIn(headers, SESSION_COOKIE);
		const at = value?.lastIndexOf('.') ?? -1;
		if (value === null || at < 1) return null;
		const token = value.slice(0, at);
		const [given, made] = [value.slice(at + 1), await makeSignature(token, secret)];
		return constantTimeEqual(new TextEncoder().encode(given), new TextEncoder().encode(made)) ? token : null;
	}

	async function renewed(session: Renewal, shown: string, now: Instant): Promise<readonly SetCookie[]> {
		const token = randomBytes(24).toString('base64url');
		const done = await renewToken(db, session, shown, { token: digestOf(token), now });
		return done ? [await cookieOf(token)] : [];
	}

	return {
		/**
		 * Makes a new token for a session whose present one is old.
		 *
		 * @param mayRenew only where the answer is sure to be looked at: a page that a person opens
		 */
		async afterUse(sessionId: string, headers: Headers, mayRenew: boolean): Promise<readonly SetCookie[]> {
			const [session, token] = [await renewalOf(db, sessionId), await tokenIn(headers)];
			if (!session || token === null) return [];
			const now = clock.now();
			if (session.previousToken !== null && session.takenUpAt === null) await takeUpToken(db, sessionId, now);
			const since = session.renewedAt ?? (session.createdAt.getTime() as Instant);
			const isOld = addDays(since, TOKEN_DAYS) <= now;
			return isOld && mayRenew ? renewed(session, digestOf(token), now) : [];
		},

		/**
		 * Whose session a token was before it was replaced. One that is shown after its successor was is shown by somebody
		 * else: the session is ended.
		 */
		async ofPrevious(
			headers: Headers,
			mayRenew: boolean
		): Promise<{
			readonly userId: string;
			readonly sessionId: string;
			readonly cookies: readonly SetCookie[];
		} | null> {
			const token = await tokenIn(headers);
			if (token === null) return null;
			const now = clock.now();
			const session = await renewedFrom(db, digestOf(token), now);
			if (!session || session.renewedAt === null) return null;
			const isGrace = addDays(session.renewedAt, GRACE_DAYS) > now;
			if (!isGrace && session.takenUpAt !== null) {
				await endSession(db, session.userId, session.id);
				return null;
			}
			// The answer with the new token was lost: it is given another.
			const cookies = !isGrace && mayRenew ? await renewed(session, digestOf(token), now) : [];
			return { userId: session.userId, sessionId: session.id, cookies };
		}
	};
}
