import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { and, eq, gt, isNull, notInArray, sql } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import {
	authAccount,
	authPasskey,
	authSession,
	authTwoFactor,
	authUser,
	authVerification,
	beginning,
	person,
	personAccount
} from '../db/schema/index.ts';
import type { Database } from '../db/connect.ts';
import type { Reader } from './database.ts';
import type { Person } from './people.ts';

/** The library's view of its tables. */
export function accountRecords(db: Database) {
	return drizzleAdapter(db, {
		provider: 'mysql',
		schema: {
			user: authUser,
			session: authSession,
			account: authAccount,
			verification: authVerification,
			twoFactor: authTwoFactor,
			passkey: authPasskey
		}
	});
}

/** Who signs in by an account; null where it belongs to nobody. */
export async function personOfAccount(db: Reader, userId: string): Promise<Person | null> {
	const [found] = await db
		.select({ id: person.id, displayName: person.displayName })
		.from(personAccount)
		.innerJoin(person, eq(person.id, personAccount.personId))
		.where(eq(personAccount.userId, userId));
	return found ?? null;
}

export async function linkAccount(
	db: Reader,
	row: { personId: string; userId: string; createdAt: Instant }
): Promise<void> {
	await db.insert(personAccount).values(row);
}

/** What an account is known by. */
export interface AccountUser {
	readonly userId: string;
	readonly name: string;
	readonly email: string;
	readonly secondFactor: boolean;
}

const userColumns = {
	userId: authUser.id,
	name: authUser.name,
	email: authUser.email,
	secondFactor: authUser.twoFactorEnabled
};

export async function accountOfPerson(db: Reader, personId: string): Promise<AccountUser | null> {
	const [found] = await db
		.select(userColumns)
		.from(personAccount)
		.innerJoin(authUser, eq(authUser.id, personAccount.userId))
		.where(eq(personAccount.personId, personId));
	return found ?? null;
}

/** @param name as it signs in, or an address */
export async function accountNamed(db: Reader, name: string): Promise<AccountUser | null> {
	const [found] = await db
		.select(userColumns)
		.from(authUser)
		.where(name.includes('@') ? eq(authUser.email, name.toLowerCase()) : eq(authUser.username, name));
	return found ?? null;
}

/** Takes a second step off an account whose owner lost both their authenticator and their spare codes. */
export async function dropSecondFactor(db: Reader, userId: string): Promise<void> {
	await db.delete(authTwoFactor).where(eq(authTwoFactor.userId, userId));
	await db.update(authUser).set({ twoFactorEnabled: false }).where(eq(authUser.id, userId));
}

/** How a password is kept; null where somebody has none. */
export async function passwordHashOf(db: Reader, userId: string): Promise<string | null> {
	const [found] = await db
		.select({ hash: authAccount.password })
		.from(authAccount)
		.where(and(eq(authAccount.userId, userId), eq(authAccount.providerId, 'credential')));
	return found?.hash ?? null;
}

/** Those who can still sign in. */
export async function accountNames(db: Reader): Promise<readonly string[]> {
	const rows = await db
		.select({ name: authUser.name })
		.from(personAccount)
		.innerJoin(authUser, eq(authUser.id, personAccount.userId))
		.orderBy(authUser.name);
	return rows.map((r) => r.name);
}

export async function hasAccounts(db: Reader): Promise<boolean> {
	const rows = await db.select({ id: personAccount.personId }).from(personAccount).limit(1);
	return rows.length > 0;
}

/** Accounts that belong to nobody: their making was cut off before the person was there. */
export async function removeUnfinishedAccounts(db: Reader): Promise<void> {
	const linked = db.select({ id: personAccount.userId }).from(personAccount);
	await db.delete(authUser).where(notInArray(authUser.id, linked));
}

/** A new link; all that were handed out before it are void. */
export async function addBeginning(
	db: Reader,
	row: { tokenDigest: string; createdAt: Instant; expiresAt: Instant }
): Promise<void> {
	await db.update(beginning).set({ usedAt: row.createdAt }).where(isNull(beginning.usedAt));
	await db.insert(beginning).values(row);
}

export async function beginningStands(db: Reader, tokenDigest: string, now: Instant): Promise<boolean> {
	const rows = await db
		.select({ at: beginning.createdAt })
		.from(beginning)
		.where(
			and(eq(beginning.tokenDigest, tokenDigest), isNull(beginning.usedAt), gt(beginning.expiresAt, now))
		);
	return rows.length > 0;
}

/** Takes a link, so that nobody else can; false where somebody did, or its time is over. */
export async function claimBeginning(db: Reader, tokenDigest: string, now: Instant): Promise<boolean> {
	const [done] = await db
		.update(beginning)
		.set({ usedAt: now })
		.where(
			and(eq(beginning.tokenDigest, tokenDigest), isNull(beginning.usedAt), gt(beginning.expiresAt, now))
		);
	return done.affectedRows === 1;
}

/** Gives a link back whose account was refused. */
export async function releaseBeginning(db: Reader, tokenDigest: string): Promise<void> {
	await db
		.update(beginning)
		.set({ usedAt: sql`null` })
		.where(eq(beginning.tokenDigest, tokenDigest));
}
