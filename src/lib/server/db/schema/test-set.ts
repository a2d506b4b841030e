import { boolean, foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { TestSet } from '$lib/core/bench';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { site } from './site.ts';

/** Tests that are made together, as they were named; the newest of a set holds. Insert-only. */
export const testSet = mysqlTable(
	'test_set',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		setId: uuid('set_id').notNull(),
		name: varchar('name', { length: 60 }).notNull(),
		details: document<Omit<TestSet, 'id' | 'name'>>()('details').notNull(),
		over: boolean('over').notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'test_set_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('test_set_newest').on(t.siteId, t.setId, t.receivedAt)
	]
);
