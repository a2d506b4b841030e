import { bigint, customType, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { instantAt, uuid } from './columns.ts';

/**
 * How often a water, or a whole site, was changed. In a table of its own: `site` and `water` are what all foreign keys
 * touch, and a row that every command raises would hold up whoever adds a reading beside it.
 */
export const revision = mysqlTable('revision', {
	/** Of a water or of a site. */
	id: uuid('id').primaryKey(),
	/** Rises with every change; never comes back to a number that it had, not even after a backup was put back. */
	counter: bigint('counter', { mode: 'number' }).notNull()
});

const packed = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'mediumblob' });

/**
 * What was learned from a water's readings since a time, so that neither a restart nor a second process learns it
 * again. It may be thrown away at any time.
 */
export const keptTrack = mysqlTable(
	'kept_track',
	{
		waterId: uuid('water_id').notNull(),
		since: instantAt('since').notNull(),
		/** The program that learned it, and the revisions that it was learned from. Of any other it is void. */
		madeFrom: varchar('made_from', { length: 100 }).notNull(),
		content: packed('content').notNull()
	},
	(t) => [primaryKey({ columns: [t.waterId, t.since] })]
);
