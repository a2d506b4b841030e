import { boolean, datetime, foreignKey, index, int, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
import { instantAt, uuid } from './columns.ts';
import { person } from './people.ts';

// Four tables as the library for accounts asks for them; who somebody is in the records stays apart, in `person`.
const when = (name: string) => datetime(name, { mode: 'date', fsp: 3 });
const id = () => varchar('id', { length: 36 }).primaryKey();

export const authUser = mysqlTable('auth_user', {
	id: id(),
	name: varchar('name', { length: 80 }).notNull(),
	/** Of those who gave none it is made up, under a domain that no mail can reach. */
	email: varchar('email', { length: 254 }).notNull().unique(),
	emailVerified: boolean('email_verified').notNull().default(false),
	image: text('image'),
	username: varchar('username', { length: 80 }).unique(),
	displayUsername: varchar('display_username', { length: 80 }),
	twoFactorEnabled: boolean('two_factor_enabled').notNull().default(false),
	createdAt: when('created_at').notNull(),
	updatedAt: when('updated_at').notNull()
});

/** Only a digest of its token is kept: what stands here opens nothing. */
export const authSession = mysqlTable(
	'auth_session',
	{
		id: id(),
		token: varchar('token', { length: 80 }).notNull().unique(),
		userId: varchar('user_id', { length: 36 }).notNull(),
		expiresAt: when('expires_at').notNull(),
		ipAddress: varchar('ip_address', { length: 64 }),
		userAgent: text('user_agent'),
		createdAt: when('created_at').notNull(),
		updatedAt: when('updated_at').notNull(),
		/** Digest of the token before this one, whose browser may not have heard of the new one yet. */
		previousToken: varchar('previous_token', { length: 80 }).unique(),
		renewedAt: instantAt('renewed_at'),
		/** The new token came back, so that whoever still shows the old one is somebody else. */
		takenUpAt: instantAt('taken_up_at')
	},
	(t) => [
		foreignKey({ name: 'auth_session_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

export const authAccount = mysqlTable(
	'auth_account',
	{
		id: id(),
		accountId: varchar('account_id', { length: 255 }).notNull(),
		providerId: varchar('provider_id', { length: 60 }).notNull(),
		userId: varchar('user_id', { length: 36 }).notNull(),
		accessToken: text('access_token'),
		refreshToken: text('refresh_token'),
		idToken: text('id_token'),
		accessTokenExpiresAt: when('access_token_expires_at'),
		refreshTokenExpiresAt: when('refresh_token_expires_at'),
		scope: text('scope'),
		password: text('password'),
		createdAt: when('created_at').notNull(),
		updatedAt: when('updated_at').notNull()
	},
	(t) => [
		foreignKey({ name: 'auth_account_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

export const authVerification = mysqlTable(
	'auth_verification',
	{
		id: id(),
		identifier: varchar('identifier', { length: 255 }).notNull(),
		value: text('value').notNull(),
		expiresAt: when('expires_at').notNull(),
		createdAt: when('created_at').notNull(),
		updatedAt: when('updated_at').notNull()
	},
	(t) => [index('auth_verification_identifier').on(t.identifier)]
);

/** Codes of an authenticator; both are enciphered by the secret that stands beside the database. */
export const authTwoFactor = mysqlTable(
	'auth_two_factor',
	{
		id: id(),
		secret: text('secret').notNull(),
		backupCodes: text('backup_codes').notNull(),
		userId: varchar('user_id', { length: 36 }).notNull(),
		verified: boolean('verified').notNull().default(true),
		failedVerificationCount: int('failed_verification_count').notNull().default(0),
		lockedUntil: when('locked_until')
	},
	(t) => [
		foreignKey({ name: 'auth_two_factor_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

/** Public keys of passkeys; the private ones never leave their device. */
export const authPasskey = mysqlTable(
	'auth_passkey',
	{
		id: id(),
		name: varchar('name', { length: 120 }),
		publicKey: text('public_key').notNull(),
		userId: varchar('user_id', { length: 36 }).notNull(),
		credentialID: varchar('credential_id', { length: 400 }).notNull().unique(),
		counter: int('counter').notNull(),
		deviceType: varchar('device_type', { length: 40 }).notNull(),
		backedUp: boolean('backed_up').notNull(),
		transports: varchar('transports', { length: 120 }),
		createdAt: when('created_at'),
		aaguid: varchar('aaguid', { length: 60 })
	},
	(t) => [
		foreignKey({ name: 'auth_passkey_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

/** Which account a person signs in by. */
export const personAccount = mysqlTable(
	'person_account',
	{
		personId: uuid('person_id')
			.primaryKey()
			.references(() => person.id),
		userId: varchar('user_id', { length: 36 }).notNull().unique(),
		createdAt: instantAt('created_at').notNull()
	},
	(t) => [
		foreignKey({ name: 'person_account_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

/** Links that let somebody make the first account, once; only digests of them. */
export const beginning = mysqlTable('beginning', {
	tokenDigest: varchar('token_digest', { length: 64 }).primaryKey(),
	createdAt: instantAt('created_at').notNull(),
	expiresAt: instantAt('expires_at').notNull(),
	usedAt: instantAt('used_at')
});

/** Links that let somebody choose a new password, once; only digests of them. */
export const resetLink = mysqlTable(
	'reset_link',
	{
		tokenDigest: varchar('token_digest', { length: 64 }).primaryKey(),
		userId: varchar('user_id', { length: 36 }).notNull(),
		createdAt: instantAt('created_at').notNull(),
		expiresAt: instantAt('expires_at').notNull(),
		usedAt: instantAt('used_at')
	},
	(t) => [
		foreignKey({ name: 'reset_link_user', columns: [t.userId], foreignColumns: [authUser.id] }).onDelete(
			'cascade'
		)
	]
);

/** What failed of late at a door, by a digest of who tried there. */
export const failedTry = mysqlTable('failed_try', {
	keyDigest: varchar('key_digest', { length: 64 }).primaryKey(),
	failures: int('failures').notNull(),
	lastAt: instantAt('last_at').notNull()
});
