import { foreignKey, index, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { PurifiedFact } from '$lib/core/purified';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { site } from './site.ts';

/** What was read at the meter of a site's purified water, and what of its unit was changed. Insert-only. */
export const purifiedNote = mysqlTable(
	'purified_note',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		fact: document<PurifiedFact>()('fact').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		happenedAt: instantAt('happened_at').notNull(),
		notedBy: uuid('noted_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'purified_note_by',
			columns: [t.siteId, t.notedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('purified_note_by_time').on(t.siteId, t.happenedAt)
	]
);
