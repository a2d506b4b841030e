import { foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';

/** A device that belongs to a place and to nobody, such as a tablet at the tank; only a digest of its token. */
export const place = mysqlTable(
	'place',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		name: varchar('name', { length: 80 }).notNull(),
		/** What the place itself is at the site: a reader. */
		membershipId: uuid('membership_id').notNull(),
		/** Of the link by which a device becomes this place, once. */
		linkDigest: varchar('link_digest', { length: 64 }).notNull().unique(),
		linkExpiresAt: instantAt('link_expires_at').notNull(),
		/** Of the token that the device keeps; null until it came. */
		tokenDigest: varchar('token_digest', { length: 64 }).unique(),
		addedBy: uuid('added_by').notNull(),
		createdAt: instantAt('created_at').notNull(),
		takenUpAt: instantAt('taken_up_at'),
		revokedAt: instantAt('revoked_at')
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'place_membership',
			columns: [t.siteId, t.membershipId],
			foreignColumns: [membership.siteId, membership.id]
		}),
		foreignKey({
			name: 'place_added_by',
			columns: [t.siteId, t.addedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** Who read at a place from when on; null: nobody. Insert-only, so that what was read offline finds its reader. */
export const placeReader = mysqlTable(
	'place_reader',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		placeId: uuid('place_id').notNull(),
		membershipId: uuid('membership_id'),
		fromAt: instantAt('from_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'place_reader_place',
			columns: [t.siteId, t.placeId],
			foreignColumns: [place.siteId, place.id]
		}),
		foreignKey({
			name: 'place_reader_membership',
			columns: [t.siteId, t.membershipId],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('place_reader_from').on(t.siteId, t.placeId, t.fromAt)
	]
);

/** By which somebody says at a place that it is them; hashed slowly and with a secret that is not in the database. */
export const readerPin = mysqlTable(
	'reader_pin',
	{
		siteId: uuid('site_id').notNull(),
		membershipId: uuid('membership_id').notNull(),
		hash: varchar('hash', { length: 200 }).notNull(),
		setAt: instantAt('set_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.membershipId] }),
		foreignKey({
			name: 'reader_pin_membership',
			columns: [t.siteId, t.membershipId],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);
