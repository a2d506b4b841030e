import { foreignKey, index, mysqlTable, primaryKey, smallint, unique, varchar } from 'drizzle-orm/mysql-core';
import type { EventDetails, EventKind } from '$lib/core/record';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { water } from './site.ts';

/** What happened to a water. Insert-only; a correction supersedes. */
export const event = mysqlTable(
	'event',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		kind: varchar('kind', { length: 32 }).$type<EventKind>().notNull(),
		details: document<EventDetails>()('details').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		happenedAt: instantAt('happened_at').notNull(),
		offsetMinutes: smallint('offset_minutes').notNull(),
		precision: varchar('precision', { length: 8, enum: ['instant', 'day'] }).notNull(),
		recordedBy: uuid('recorded_by').notNull(),
		supersedes: uuid('supersedes'),
		reason: varchar('reason', { length: 500 }),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'event_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'event_recorded_by',
			columns: [t.siteId, t.recordedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		foreignKey({
			name: 'event_supersedes',
			columns: [t.siteId, t.supersedes],
			foreignColumns: [t.siteId, t.id]
		}),
		unique('event_superseded_once').on(t.siteId, t.supersedes),
		index('event_by_water').on(t.siteId, t.waterId, t.happenedAt)
	]
);
