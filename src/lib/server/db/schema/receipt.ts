import { char, foreignKey, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { document, instantAt, uuid } from './columns.ts';
import { site } from './site.ts';

/** What a command was answered, so that the same one sent again gets the same answer and acts once. */
export const commandReceipt = mysqlTable(
	'command_receipt',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		command: varchar('command', { length: 40 }).notNull(),
		contentHash: char('content_hash', { length: 64 }).notNull(),
		answer: document<unknown>()('answer').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'command_receipt_site', columns: [t.siteId], foreignColumns: [site.id] })
	]
);
