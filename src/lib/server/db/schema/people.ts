import { foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { SiteDeed } from '$lib/contract/people';
import { ROLES } from '$lib/core/access';
import { document, instantAt, uuid } from './columns.ts';
import { site } from './site.ts';

/** Who somebody is; belongs to no site. */
export const person = mysqlTable('person', {
	id: uuid('id').primaryKey(),
	displayName: varchar('display_name', { length: 80 }).notNull(),
	createdAt: instantAt('created_at').notNull(),
	/** From when on nobody is known by it any more: what they read stays, their name does not. */
	formerAt: instantAt('former_at')
});

/** A person's place in a site, from a day until a day; the only way to reach a site's rows. */
export const membership = mysqlTable(
	'membership',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		personId: uuid('person_id')
			.notNull()
			.references(() => person.id),
		role: varchar('role', { length: 20, enum: ROLES }).notNull(),
		fromAt: instantAt('from_at').notNull(),
		untilAt: instantAt('until_at')
	},
	(t) => [primaryKey({ columns: [t.siteId, t.id] }), index('membership_person').on(t.personId)]
);

/** Only a digest of the cookie's token is kept. */
export const signInSession = mysqlTable(
	'sign_in_session',
	{
		tokenDigest: varchar('token_digest', { length: 64 }).primaryKey(),
		personId: uuid('person_id').notNull(),
		createdAt: instantAt('created_at').notNull(),
		expiresAt: instantAt('expires_at').notNull()
	},
	(t) => [foreignKey({ name: 'sign_in_session_person', columns: [t.personId], foreignColumns: [person.id] })]
);

/** A link by which somebody becomes a member, once; only digests of it and of the code that is told apart from it. */
export const invitation = mysqlTable(
	'invitation',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		tokenDigest: varchar('token_digest', { length: 64 }).notNull().unique(),
		codeDigest: varchar('code_digest', { length: 64 }),
		/** For whom, in the words of whoever invited. */
		forWhom: varchar('for_whom', { length: 80 }).notNull(),
		role: varchar('role', { length: 20, enum: ROLES }).notNull(),
		/** When the membership ends by itself; null where it does not. */
		memberUntil: instantAt('member_until'),
		invitedBy: uuid('invited_by').notNull(),
		createdAt: instantAt('created_at').notNull(),
		expiresAt: instantAt('expires_at').notNull(),
		usedAt: instantAt('used_at'),
		usedBy: uuid('used_by'),
		revokedAt: instantAt('revoked_at')
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'invitation_invited_by',
			columns: [t.siteId, t.invitedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		foreignKey({
			name: 'invitation_used_by',
			columns: [t.siteId, t.usedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** Who changed what about a site's people, and what was given out of it. Insert-only. */
export const siteHistory = mysqlTable(
	'site_history',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		at: instantAt('at').notNull(),
		doneBy: uuid('done_by').notNull(),
		deed: document<SiteDeed>()('deed').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'site_history_done_by',
			columns: [t.siteId, t.doneBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('site_history_at').on(t.siteId, t.at)
	]
);
