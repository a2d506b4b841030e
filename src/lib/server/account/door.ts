import { randomBytes } from 'node:crypto';
import type { BeginAccount } from '$lib/contract/account';
import type { ChooseReader, SetPin } from '$lib/contract/people';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays } from '$lib/core/time';
import type { Database } from '../db/connect.ts';
import { digestOf } from '../digest.ts';
import {
	accountOfPerson,
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
import type { SiteScope } from '../repository/scope.ts';
import type { PooledDeps, Within } from '../service/deps.ts';
import { chooseReader } from '../service/people/at-place.ts';
import { invitationFor, joinBy } from '../service/people/join.ts';
import { pinFits, setPin } from '../service/people/pin.ts';
import { openAccounts, type Credentials, type SignedIn } from './accounts.ts';
import type { SetCookie } from './cookies.ts';
import { ADDRESS_HEADER, nameForSignIn, openLibrary } from './library.ts';
import type { SendMail } from './mail.ts';
import { openOwnAccount } from './own-account.ts';
import { openPasskeys } from './passkeys.ts';
import { openRenewal } from './renewal.ts';
import { openReset } from './reset.ts';
import { openSecondFactor } from './second-factor.ts';
import { tried, type TryKey } from './tries.ts';

/** So long a link may lie about before it has to be made anew. */
const LINK_DAYS = 2;
/** A household has one address, and an office too: more of them mistype. */
const FREE_FOR_ADDRESS = 50;
/** Whoever tries one name from many addresses. */
const FREE_FOR_NAME = 30;

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

/** Who is asking: what their browser sent, from where, and at which name of this server. */
export interface Asking {
	readonly headers: Headers;
	readonly address: string;
	readonly hostname: string;
}

/** Passkeys are bound to a name, and a server may have a few. */
const MOST_NAMES = 20;

function openDoors(db: Database, secret: string) {
	const made = new Map<string, ReturnType<typeof openDoor>>();
	function openDoor(hostname: string) {
		const library = openLibrary(db, secret, hostname);
		return {
			accounts: openAccounts(db, library),
			passkeys: openPasskeys(library),
			secondFactor: openSecondFactor(library)
		};
	}
	return (hostname: string) => {
		const door = made.get(hostname) ?? openDoor(hostname);
		if (made.size < MOST_NAMES) made.set(hostname, door);
		return door;
	};
}

/**
 * How people come in and go out.
 *
 * @param secret signs cookies; it stands beside the database and not in it
 * @param mail null where none can be sent
 */
export function openAccountDoor(deps: PooledDeps, secret: string, mail: SendMail | null) {
	const doorOf = openDoors(deps.db, secret);
	const renewal = openRenewal(deps, secret);
	const { db, clock } = deps;

	async function keepPerson(
		{ db: tx, clock: at }: Pick<Within, 'db' | 'clock'>,
		{ personId, userId, displayName }: { personId: string; userId: string; displayName: string }
	): Promise<void> {
		const createdAt = at.now();
		await addPerson(tx, { id: personId, displayName, createdAt });
		await linkAccount(tx, { personId, userId, createdAt });
	}

	return {
		hasAccounts: (): Promise<boolean> => hasAccounts(db),
		/** Links can be sent by mail. */
		sendsMail: mail !== null,

		/** The same for one request. */
		for({ headers: sent, address, hostname }: Asking) {
			const { accounts, passkeys, secondFactor } = doorOf(hostname);
			const headers = new Headers(sent);
			headers.set(ADDRESS_HEADER, address);
			const keysOf = (what: string, name: string): TryKey[] => [
				{ key: `${what} of ${nameForSignIn(name)} from ${address}` },
				{ key: `${what} of ${nameForSignIn(name)}`, free: FREE_FOR_NAME },
				{ key: `${what} from ${address}`, free: FREE_FOR_ADDRESS, shared: true }
			];

			/** Makes an account with what has to come with it. What cannot be kept leaves no account behind. */
			async function signUp(
				{ displayName, email, password }: BeginAccount,
				also: (made: SignedIn) => Promise<Result<unknown>>
			): Promise<Result<readonly SetCookie[]>> {
				const made = await accounts.signUp({ name: displayName, email, password }, headers);
				if (!made.ok) {
					return fail(made.fault.code, made.fault.field === 'name' ? 'displayName' : made.fault.field);
				}
				try {
					const kept = await also(made.value);
					if (kept.ok) return ok(made.value.cookies);
					await accounts.forget(made.value.userId);
					return kept;
				} catch (fault) {
					await accounts.forget(made.value.userId);
					throw fault;
				}
			}

			return {
				/** Whether a link for the first account can still be used. */
				linkStands: (token: string): Promise<boolean> => beginningStands(db, digestOf(token), clock.now()),

				/** Makes the first account by a link that works once, and signs it in. */
				async begin(token: string, command: BeginAccount): Promise<Result<readonly SetCookie[]>> {
					const digest = digestOf(token);
					if (!(await claimBeginning(db, digest, clock.now()))) return fail('link-over', 'displayName');
					let made: Result<readonly SetCookie[]> | null = null;
					try {
						made = await signUp(command, async ({ userId }) => {
							const { displayName } = command;
							const person = { personId: deps.newId(), userId, displayName };
							await inTransaction(db, (tx) => keepPerson({ db: tx, clock }, person));
							return ok(null);
						});
						return made;
					} finally {
						if (!made?.ok) await releaseBeginning(db, digest);
					}
				},

				/** Makes an account by an invitation, and lets it in where it leads. */
				join: (token: string, code: string, command: BeginAccount): Promise<Result<readonly SetCookie[]>> =>
					tried(deps, [{ key: `code of ${digestOf(token)}` }], async () => {
						const invitation = await invitationFor(deps, token, code);
						if (!invitation.ok) return invitation;
						return signUp(command, ({ userId }) => {
							const person = { personId: deps.newId(), userId, displayName: command.displayName };
							return joinBy(deps, invitation.value, person.personId, (within) => keepPerson(within, person));
						});
					}),

				/** Lets somebody who has an account in by an invitation. */
				joinAs: (person: Person, token: string, code: string): Promise<Result<null>> =>
					tried(deps, [{ key: `code of ${digestOf(token)}` }], async () => {
						const invitation = await invitationFor(deps, token, code);
						return invitation.ok ? joinBy(deps, invitation.value, person.id) : invitation;
					}),

				/** Whoever tries too often has to wait. Whoever has a second factor is not in yet: `asksCode`. */
				signIn: (
					credentials: Credentials
				): Promise<Result<{ readonly cookies: readonly SetCookie[]; readonly asksCode: boolean }>> =>
					tried(deps, keysOf('sign-in', credentials.name), async () => {
						const signedIn = await accounts.signIn(credentials, headers);
						if (!signedIn.ok) return signedIn;
						const { userId, cookies } = signedIn.value;
						return ok({ cookies, asksCode: userId === null });
					}),

				/** The second step of it. */
				signInByCode: (code: string): Promise<Result<readonly SetCookie[]>> =>
					tried(deps, [{ key: `code from ${address}`, free: 10 }], () => secondFactor.show(headers, code)),

				askPasskey: () => passkeys.ask(headers),
				signInByPasskey: (response: unknown): Promise<Result<readonly SetCookie[]>> =>
					tried(deps, [{ key: `passkey from ${address}`, free: FREE_FOR_ADDRESS }], () =>
						passkeys.signIn(headers, response)
					),

				signOut: (): Promise<readonly SetCookie[]> => accounts.signOut(headers),

				/** A password that was forgotten. */
				reset: openReset({ deps, accounts, mail, address }),

				/** What somebody does about their own account; null for whoever has none. */
				async mine(person: Person) {
					const account = person.place ? null : await accountOfPerson(db, person.id);
					if (!account) return null;
					const session = await accounts.sessionOf(headers);
					return openOwnAccount({
						...{ deps, person, account, accounts, passkeys, secondFactor, headers },
						sessionId: session?.sessionId ?? null
					});
				},

				/**
				 * Who asks; null where nobody is signed in. Cookies where the session was prolonged, or its token replaced.
				 *
				 * @param mayRenew only where the answer is sure to be looked at: a page that a person opens
				 */
				async whoAsks(
					mayRenew: boolean
				): Promise<{ readonly person: Person | null; readonly cookies: readonly SetCookie[] }> {
					const session = await accounts.sessionOf(headers);
					if (!session) {
						const before = await renewal.ofPrevious(headers, mayRenew);
						if (!before) return { person: null, cookies: [] };
						return { person: await personOfAccount(db, before.userId), cookies: before.cookies };
					}
					const renewed = await renewal.afterUse(session.sessionId, headers, mayRenew);
					const person = await personOfAccount(db, session.userId);
					return { person, cookies: renewed.length > 0 ? renewed : session.cookies };
				},

				/** Says at a place who reads. */
				async chooseReader(person: Person, command: ChooseReader): Promise<Result<null>> {
					const { place } = person;
					if (!place) return fail('at-place');
					const key = `digits of ${command.memberId ?? ''} at ${place.placeId}`;
					return tried(deps, [{ key }], () =>
						chooseReader(deps, place, command, (pin, hash) => pinFits(pin, hash, secret))
					);
				},

				setPin: (scope: SiteScope, command: SetPin): Promise<Result<null>> =>
					setPin(deps, scope, command, secret)
			};
		}
	};
}

export type AccountDoor = ReturnType<ReturnType<typeof openAccountDoor>['for']> & {
	readonly hasAccounts: () => Promise<boolean>;
	readonly sendsMail: boolean;
};
export type OwnAccount = NonNullable<Awaited<ReturnType<AccountDoor['mine']>>>;
