import { char, int, mysqlTable, primaryKey, unique, varchar } from 'drizzle-orm/mysql-core';
import type { Method } from '$lib/core/method';
import { document, instantAt, uuid } from './columns.ts';
import { site } from './site.ts';

/** Immutable: a changed leaflet is a new version. Shipped versions belong to no site. Old forms are read by `methodOfStored`. */
export const methodVersion = mysqlTable(
	'method_version',
	{
		id: uuid('id').primaryKey(),
		/** The site that wrote it; null for the shipped ones, which belong to nobody. */
		ownerSiteId: uuid('owner_site_id').references(() => site.id),
		code: varchar('code', { length: 60 }).notNull(),
		version: int('version').notNull(),
		contentHash: char('content_hash', { length: 64 }).notNull(),
		definition: document<Method>()('definition').notNull(),
		createdAt: instantAt('created_at').notNull()
	},
	(t) => [unique('method_version_code').on(t.code, t.version)]
);

/** A site's use of a method version; runs refer to this row. */
export const siteMethod = mysqlTable(
	'site_method',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		methodVersionId: uuid('method_version_id')
			.notNull()
			.references(() => methodVersion.id),
		adoptedAt: instantAt('adopted_at').notNull(),
		/** Not offered any more; what was read by it keeps it. */
		leftAt: instantAt('left_at')
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		unique('site_method_once').on(t.siteId, t.methodVersionId)
	]
);
