import { randomBytes } from 'node:crypto';
import type { BeginAccount } from '$lib/contract/account';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays } from '$lib/core/time';
import { digestOf } from '../digest.ts';
import { createLimiter } from '../limiter.ts';
import {
	addBeginning,
	beginningStands,
	claimBeginning,
	hasAccounts,
	linkAccount,
	personOfAccount,
	releaseBeginning,
	removeUnfinishedAccounts
} from '../repository/account.ts';
import { inTransaction } from '../repository/database.ts';
import { addPerson } from '../repository/founding.ts';
import type { Person } from '../repository/people.ts';
import type { PooledDeps } from '../service/deps.ts';
import type { Accounts, Credentials, SetCookie, SignedIn } from './accounts.ts';

/** So long a link may lie about before it has to be made anew. */
const LINK_DAYS = 2;
/** Tries of one name from one address in a minute, more than a person needs who mistypes. */
const TRIES_PER_MINUTE = 8;

/** A new link for the first account, as long as there is none; null where there is. */
export async function newBeginning(deps: PooledDeps): Promise<string | null> {
	if (await hasAccounts(deps.db)) return null;
	// One whose making was cut off would keep its name from whoever begins again.
	await removeUnfinishedAccounts(deps.db);
	const token = randomBytes(24).toString('base64url');
	const createdAt = deps.clock.now();
	await addBeginning(deps.db, {
		tokenDigest: digestOf(token),
		createdAt,
		expiresAt: addDays(createdAt, LINK_DAYS)
	});
	return token;
}

/** How people come in and go out. */
export function accountDoor(deps: PooledDeps, accounts: Accounts) {
	const tries = createLimiter(deps.clock, TRIES_PER_MINUTE);

	/** A person for an account that was just made. One that cannot be kept leaves no account behind. */
	async function personFor({ userId }: SignedIn, displayName: string): Promise<Person> {
		const id = deps.newId();
		const createdAt = deps.clock.now();
		try {
			await inTransaction(deps.db, async (tx) => {
				await addPerson(tx, { id, displayName, createdAt });
				await linkAccount(tx, { personId: id, userId, createdAt });
			});
		} catch (fault) {
			await accounts.forget(userId);
			throw fault;
		}
		return { id, displayName };
	}

	return {
		/** Whether a link can still be used. */
		linkStands: (token: string): Promise<boolean> =>
			beginningStands(deps.db, digestOf(token), deps.clock.now()),
		hasAccounts: (): Promise<boolean> => hasAccounts(deps.db),

		/** Makes the first account by a link that works once, and signs it in. */
		async begin(
			token: string,
			{ displayName, email, password }: BeginAccount
		): Promise<Result<readonly SetCookie[]>> {
			const digest = digestOf(token);
			if (!(await claimBeginning(deps.db, digest, deps.clock.now()))) return fail('link-over', 'displayName');
			let made: Result<SignedIn>;
			try {
				made = await accounts.signUp({ name: displayName, email, password });
				if (made.ok) await personFor(made.value, displayName);
			} catch (fault) {
				await releaseBeginning(deps.db, digest);
				throw fault;
			}
			if (made.ok) return ok(made.value.cookies);
			await releaseBeginning(deps.db, digest);
			return fail(made.fault.code, made.fault.field === 'name' ? 'displayName' : made.fault.field);
		},

		/** @param from the address that is asked from: whoever tries too often there has to wait */
		async signIn(credentials: Credentials, from: string): Promise<Result<readonly SetCookie[]>> {
			if (!tries.admits(`${from} ${credentials.name}`)) return fail('too-many-tries');
			const signedIn = await accounts.signIn(credentials);
			return signedIn.ok ? ok(signedIn.value.cookies) : signedIn;
		},

		signOut: (headers: Headers): Promise<readonly SetCookie[]> => accounts.signOut(headers),

		/** Who asks; null where nobody is signed in. Cookies where the session was prolonged. */
		async whoAsks(
			headers: Headers
		): Promise<{ readonly person: Person | null; readonly cookies: readonly SetCookie[] }> {
			const session = await accounts.sessionOf(headers);
			if (!session) return { person: null, cookies: [] };
			return { person: await personOfAccount(deps.db, session.userId), cookies: session.cookies };
		}
	};
}

export type AccountDoor = ReturnType<typeof accountDoor>;
