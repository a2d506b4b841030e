import { foreignKey, index, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import type { PracticeDeed, SaidBeforeRun } from '$lib/contract/practice';
import type { ReaderFinding, Subject, Trial } from '$lib/core/practice';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { site } from './site.ts';
import { testRun } from './test.ts';

/** What was shown in practice and what was answered. Insert-only: what it tells of an eye is derived. */
export const practiceTrial = mysqlTable(
	'practice_trial',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		memberId: uuid('member_id').notNull(),
		trial: document<Trial>()('trial').notNull(),
		answeredAt: instantAt('answered_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'practice_trial_member',
			columns: [t.siteId, t.memberId],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('practice_trial_of_member').on(t.siteId, t.memberId, t.answeredAt)
	]
);

/** What was found of an eye is used from a time on, or no longer. Insert-only; the newest of a subject holds. */
export const readerUse = mysqlTable(
	'reader_use',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		memberId: uuid('member_id').notNull(),
		subject: document<Subject>()('subject').notNull(),
		/** Null where it is no longer used. */
		finding: document<ReaderFinding>()('finding'),
		/** Of readings from here on; null of all. */
		fromAt: instantAt('from_at'),
		decidedAt: instantAt('decided_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'reader_use_member',
			columns: [t.siteId, t.memberId],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('reader_use_of_member').on(t.siteId, t.memberId, t.decidedAt)
	]
);

/** Who lets others see how they practise, lessons that were set, and what a mentor wrote at a step. Insert-only. */
export const practiceNote = mysqlTable(
	'practice_note',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		deed: document<PracticeDeed>()('deed').notNull(),
		notedBy: uuid('noted_by').notNull(),
		notedAt: instantAt('noted_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'practice_note_by',
			columns: [t.siteId, t.notedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('practice_note_by_time').on(t.siteId, t.notedAt)
	]
);

/** What a reader expected before they read; it comes in with the reading, so that nobody knew of it before. Insert-only. */
export const saidBefore = mysqlTable(
	'said_before',
	{
		siteId: uuid('site_id').notNull(),
		runId: uuid('run_id').notNull(),
		said: document<SaidBeforeRun>()('said').notNull(),
		saidBy: uuid('said_by').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.runId] }),
		foreignKey({
			name: 'said_before_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'said_before_by',
			columns: [t.siteId, t.saidBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('said_before_of_member').on(t.siteId, t.saidBy)
	]
);
