import { boolean, datetime, foreignKey, index, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core';
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
		updatedAt: when('updated_at').notNull()
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
