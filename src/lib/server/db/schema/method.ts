import {
	char,
	foreignKey,
	index,
	int,
	mysqlTable,
	primaryKey,
	unique,
	varchar
} from 'drizzle-orm/mysql-core';
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
		adoptedAt: instantAt('adopted_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		unique('site_method_once').on(t.siteId, t.methodVersionId)
	]
);

/** A bought kit or reagent of one batch. */
export const lot = mysqlTable(
	'lot',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		siteMethodId: uuid('site_method_id'),
		label: varchar('label', { length: 120 }).notNull(),
		openedAt: instantAt('opened_at'),
		expiresAt: instantAt('expires_at'),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'lot_site', columns: [t.siteId], foreignColumns: [site.id] }),
		foreignKey({
			name: 'lot_method',
			columns: [t.siteId, t.siteMethodId],
			foreignColumns: [siteMethod.siteId, siteMethod.id]
		})
	]
);

export const instrument = mysqlTable(
	'instrument',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		label: varchar('label', { length: 120 }).notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'instrument_site', columns: [t.siteId], foreignColumns: [site.id] })
	]
);

/** A kit's factor or offset found on a standard; results name the check they were corrected by. */
export const kitCheck = mysqlTable(
	'kit_check',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		lotId: uuid('lot_id').notNull(),
		finding: document<Record<string, unknown>>()('finding').notNull(),
		checkedAt: instantAt('checked_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'kit_check_lot', columns: [t.siteId, t.lotId], foreignColumns: [lot.siteId, lot.id] }),
		index('kit_check_by_lot').on(t.siteId, t.lotId, t.checkedAt)
	]
);
