import { foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { ROLES } from '$lib/core/access';
import { instantAt, uuid } from './columns.ts';
import { site } from './site.ts';

/** Who somebody is; belongs to no site. */
export const person = mysqlTable('person', {
	id: uuid('id').primaryKey(),
	displayName: varchar('display_name', { length: 80 }).notNull(),
	createdAt: instantAt('created_at').notNull()
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
