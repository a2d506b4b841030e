import { foreignKey, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { SheetWords } from '$lib/contract/sheet';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { water } from './site.ts';

/** What a visitor was handed: as it was said then, by a link that can be taken back; only a digest of it. */
export const visitorSheet = mysqlTable(
	'visitor_sheet',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		tokenDigest: varchar('token_digest', { length: 64 }).notNull().unique(),
		forWhom: varchar('for_whom', { length: 80 }).notNull(),
		words: document<SheetWords>()('words').notNull(),
		givenBy: uuid('given_by').notNull(),
		createdAt: instantAt('created_at').notNull(),
		expiresAt: instantAt('expires_at').notNull(),
		revokedAt: instantAt('revoked_at')
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'visitor_sheet_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'visitor_sheet_given_by',
			columns: [t.siteId, t.givenBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);
