import { randomBytes } from 'node:crypto';
import { addDays } from '$lib/core/time';
import { digestOf } from '../../digest.ts';
import {
	addSession,
	personById,
	personBySession,
	removeExpiredSessions,
	type Person
} from '../../repository/people.ts';
import type { Deps } from '../deps.ts';

export const SESSION_DAYS = 30;

/** Who a session cookie belongs to; null when it is unknown or has run out. */
export async function personOfToken(deps: Deps, token: string): Promise<Person | null> {
	return personBySession(deps.db, digestOf(token), deps.clock.now());
}

/** Starts a session for a person and returns the token for the cookie; null for an unknown person. */
export async function startSession(
	deps: Deps,
	personId: string
): Promise<{ token: string; person: Person } | null> {
	const person = await personById(deps.db, personId);
	if (!person) return null;
	const token = randomBytes(32).toString('base64url');
	const now = deps.clock.now();
	await removeExpiredSessions(deps.db, now);
	await addSession(deps.db, {
		tokenDigest: digestOf(token),
		personId,
		createdAt: now,
		expiresAt: addDays(now, SESSION_DAYS)
	});
	return { token, person };
}
