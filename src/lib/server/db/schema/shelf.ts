import { double, foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { ShelfDetails } from '$lib/contract/shelf';
import type { ShelfKind } from '$lib/contract/choices';
import type { KitFinding } from '$lib/core/comparison';
import type { ParameterId } from '$lib/core/quantity';
import { document, instantAt, uuid } from './columns.ts';
import { siteMethod } from './method.ts';
import { membership } from './people.ts';
import { site } from './site.ts';

/** A bought kit of one lot, a standard, an instrument, a syringe: what stands on the shelf. Insert-only. */
export const shelfItem = mysqlTable(
	'shelf_item',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		kind: varchar('kind', { length: 16 }).$type<ShelfKind>().notNull(),
		name: varchar('name', { length: 120 }).notNull(),
		lotCode: varchar('lot_code', { length: 60 }).notNull(),
		/** The method version that it was bought with, or is read by. */
		siteMethodId: uuid('site_method_id'),
		/** In the money of the site. */
		price: double('price'),
		boughtAt: instantAt('bought_at'),
		expiresAt: instantAt('expires_at'),
		details: document<ShelfDetails>()('details').notNull(),
		addedBy: uuid('added_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'shelf_item_site', columns: [t.siteId], foreignColumns: [site.id] }),
		foreignKey({
			name: 'shelf_item_method',
			columns: [t.siteId, t.siteMethodId],
			foreignColumns: [siteMethod.siteId, siteMethod.id]
		}),
		foreignKey({
			name: 'shelf_item_added_by',
			columns: [t.siteId, t.addedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** What was noted of it: opened, counted, doubted, corrected, retired. Insert-only; its state follows from them. */
export const shelfNote = mysqlTable(
	'shelf_note',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		itemId: uuid('item_id').notNull(),
		kind: varchar('kind', { length: 20 }).notNull(),
		details: document<Readonly<Record<string, unknown>>>()('details').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		happenedAt: instantAt('happened_at').notNull(),
		notedBy: uuid('noted_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'shelf_note_item',
			columns: [t.siteId, t.itemId],
			foreignColumns: [shelfItem.siteId, shelfItem.id]
		}),
		foreignKey({
			name: 'shelf_note_by',
			columns: [t.siteId, t.notedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('shelf_note_by_item').on(t.siteId, t.itemId, t.happenedAt)
	]
);

/** What a kit was found to need on standards; results name the check they were corrected by. Insert-only. */
export const kitCheck = mysqlTable(
	'kit_check',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		itemId: uuid('item_id').notNull(),
		parameter: varchar('parameter', { length: 24 }).$type<ParameterId>().notNull(),
		/** The readings of standards that it stands on. */
		runIds: document<readonly string[]>()('run_ids').notNull(),
		finding: document<KitFinding>()('finding').notNull(),
		checkedAt: instantAt('checked_at').notNull(),
		checkedBy: uuid('checked_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'kit_check_item',
			columns: [t.siteId, t.itemId],
			foreignColumns: [shelfItem.siteId, shelfItem.id]
		}),
		foreignKey({
			name: 'kit_check_by',
			columns: [t.siteId, t.checkedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('kit_check_of_item').on(t.siteId, t.itemId, t.checkedAt)
	]
);
