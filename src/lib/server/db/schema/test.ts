import { sql } from 'drizzle-orm';
import {
	check,
	double,
	foreignKey,
	index,
	int,
	mysqlTable,
	primaryKey,
	smallint,
	tinyint,
	unique,
	varchar
} from 'drizzle-orm/mysql-core';
import type { SessionState, SheetTest } from '$lib/contract/session';
import type { BenchEntry } from '$lib/core/bench';
import type { SlipKind } from '$lib/core/plausibility';
import type { ParameterId, UnitId } from '$lib/core/quantity';
import type { Deviation, RawReading } from '$lib/core/reading';
import { bytes, document, instantAt, uuid } from './columns.ts';
import { siteMethod } from './method.ts';
import { membership } from './people.ts';
import { kitCheck, shelfItem } from './shelf.ts';
import { site, water } from './site.ts';

/** What was drawn, where, when, by whom: of a water, or of a standard. Insert-only. */
export const sample = mysqlTable(
	'sample',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		kind: varchar('kind', {
			length: 16,
			enum: ['tank', 'source', 'new-mix', 'collected', 'standard']
		}).notNull(),
		waterId: uuid('water_id'),
		standardId: uuid('standard_id'),
		drawnAt: instantAt('drawn_at').notNull(),
		offsetMinutes: smallint('offset_minutes').notNull(),
		precision: varchar('precision', { length: 8, enum: ['instant', 'day'] }).notNull(),
		drawnBy: uuid('drawn_by').notNull(),
		temperatureC: double('temperature_c'),
		keptHow: varchar('kept_how', { length: 200 }),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'sample_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'sample_standard',
			columns: [t.siteId, t.standardId],
			foreignColumns: [shelfItem.siteId, shelfItem.id]
		}),
		foreignKey({
			name: 'sample_drawn_by',
			columns: [t.siteId, t.drawnBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('sample_by_water').on(t.siteId, t.waterId, t.drawnAt),
		check('sample_of_one_thing', sql`(${t.waterId} is null) <> (${t.standardId} is null)`)
	]
);

/** Several tests laid out together. */
export const benchSession = mysqlTable(
	'bench_session',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		startedAt: instantAt('started_at').notNull(),
		startedBy: uuid('started_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'bench_session_started_by',
			columns: [t.siteId, t.startedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** A session as it stood when it was last heard of; the highest revision holds. Insert-only. */
export const sessionSheet = mysqlTable(
	'session_sheet',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		sessionId: uuid('session_id').notNull(),
		revision: int('revision').notNull(),
		state: varchar('state', { length: 12 }).$type<SessionState>().notNull(),
		dueAt: instantAt('due_at'),
		startedAt: instantAt('started_at').notNull(),
		tests: document<readonly SheetTest[]>()('tests').notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		unique('session_sheet_revision').on(t.siteId, t.sessionId, t.revision),
		foreignKey({
			name: 'session_sheet_session',
			columns: [t.siteId, t.sessionId],
			foreignColumns: [benchSession.siteId, benchSession.id]
		}),
		foreignKey({
			name: 'session_sheet_saved_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** One test of a sample by a method version, with its step log. Insert-only. */
export const testRun = mysqlTable(
	'test_run',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		sampleId: uuid('sample_id').notNull(),
		siteMethodId: uuid('site_method_id').notNull(),
		sessionId: uuid('session_id'),
		reader: uuid('reader').notNull(),
		startedAt: instantAt('started_at').notNull(),
		finishedAt: instantAt('finished_at').notNull(),
		stepLog: document<readonly BenchEntry[]>()('step_log').notNull(),
		deviations: document<readonly Deviation[]>()('deviations').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'test_run_sample',
			columns: [t.siteId, t.sampleId],
			foreignColumns: [sample.siteId, sample.id]
		}),
		foreignKey({
			name: 'test_run_method',
			columns: [t.siteId, t.siteMethodId],
			foreignColumns: [siteMethod.siteId, siteMethod.id]
		}),
		foreignKey({
			name: 'test_run_session',
			columns: [t.siteId, t.sessionId],
			foreignColumns: [benchSession.siteId, benchSession.id]
		}),
		foreignKey({
			name: 'test_run_reader',
			columns: [t.siteId, t.reader],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('test_run_by_sample').on(t.siteId, t.sampleId),
		index('test_run_by_reader').on(t.siteId, t.reader, t.siteMethodId)
	]
);

/** A run may use several lots, syringes and instruments. */
export const runItem = mysqlTable(
	'run_item',
	{
		siteId: uuid('site_id').notNull(),
		runId: uuid('run_id').notNull(),
		itemId: uuid('item_id').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.runId, t.itemId] }),
		foreignKey({
			name: 'run_item_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'run_item_item',
			columns: [t.siteId, t.itemId],
			foreignColumns: [shelfItem.siteId, shelfItem.id]
		})
	]
);

/** What was read, for ever. A correction is a new row that supersedes one; two of one are refused here. */
export const rawReading = mysqlTable(
	'raw_reading',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		runId: uuid('run_id').notNull(),
		form: varchar('form', { length: 40 }).notNull(),
		formVersion: int('form_version').notNull(),
		reading: document<RawReading>()('reading').notNull(),
		readAt: instantAt('read_at').notNull(),
		readBy: uuid('read_by').notNull(),
		supersedes: uuid('supersedes'),
		reason: varchar('reason', { length: 500 }),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'raw_reading_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'raw_reading_read_by',
			columns: [t.siteId, t.readBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		foreignKey({
			name: 'raw_reading_supersedes',
			columns: [t.siteId, t.supersedes],
			foreignColumns: [t.siteId, t.id]
		}),
		unique('raw_reading_superseded_once').on(t.siteId, t.supersedes),
		index('raw_reading_by_run').on(t.siteId, t.runId),
		check('raw_reading_reason', sql`(${t.supersedes} is null) = (${t.reason} is null)`)
	]
);

/**
 * Derived, never entered. Of one run and parameter exactly one is current: `current` is 1 or null, and unique with
 * them. A run of two titrations has two.
 */
export const result = mysqlTable(
	'result',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		runId: uuid('run_id').notNull(),
		readingId: uuid('reading_id').notNull(),
		derivationVersion: int('derivation_version').notNull(),
		/** The version it was derived by, where that is not the run's own: a factor was put right later. */
		siteMethodId: uuid('site_method_id'),
		kitCheckId: uuid('kit_check_id'),
		parameter: varchar('parameter', { length: 24 }).$type<ParameterId>().notNull(),
		species: varchar('species', { length: 40 }).notNull(),
		unit: varchar('unit', { length: 24 }).$type<UnitId>().notNull(),
		kind: varchar('kind', { length: 10, enum: ['value', 'interval', 'bound'] }).notNull(),
		value: double('value'),
		lower: double('lower'),
		upper: double('upper'),
		uRandom: double('u_random'),
		uCommon: double('u_common'),
		current: tinyint('current'),
		derivedAt: instantAt('derived_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'result_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'result_reading',
			columns: [t.siteId, t.readingId],
			foreignColumns: [rawReading.siteId, rawReading.id]
		}),
		foreignKey({
			name: 'result_kit_check',
			columns: [t.siteId, t.kitCheckId],
			foreignColumns: [kitCheck.siteId, kitCheck.id]
		}),
		foreignKey({
			name: 'result_method',
			columns: [t.siteId, t.siteMethodId],
			foreignColumns: [siteMethod.siteId, siteMethod.id]
		}),
		unique('result_one_current_each').on(t.siteId, t.runId, t.parameter, t.current),
		index('result_by_reading').on(t.siteId, t.readingId),
		check(
			'result_shape',
			sql`(${t.kind} = 'value' and ${t.value} is not null and ${t.uRandom} is not null and ${t.uCommon} is not null) or (${t.kind} = 'interval' and ${t.lower} is not null and ${t.upper} is not null) or (${t.kind} = 'bound' and (${t.lower} is null) <> (${t.upper} is null))`
		)
	]
);

/** A photograph of a run or of a thing on the shelf, or a voice note of a run; place and device metadata are removed before it is stored. */
export const attachment = mysqlTable(
	'attachment',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		runId: uuid('run_id'),
		itemId: uuid('item_id'),
		sha256: varchar('sha256', { length: 64 }).notNull(),
		mediaType: varchar('media_type', { length: 60 }).notNull(),
		sizeBytes: int('size_bytes').notNull(),
		content: bytes('content').notNull(),
		addedBy: uuid('added_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({ name: 'attachment_site', columns: [t.siteId], foreignColumns: [site.id] }),
		foreignKey({
			name: 'attachment_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'attachment_item',
			columns: [t.siteId, t.itemId],
			foreignColumns: [shelfItem.siteId, shelfItem.id]
		}),
		foreignKey({
			name: 'attachment_added_by',
			columns: [t.siteId, t.addedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		check('attachment_of_one_thing', sql`(${t.runId} is null) <> (${t.itemId} is null)`)
	]
);

/** A photograph or voice note that was taken back is shown no more; its bytes are removed by the migrating user. Insert-only. */
export const attachmentWithdrawal = mysqlTable(
	'attachment_withdrawal',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		attachmentId: uuid('attachment_id').notNull(),
		withdrawnBy: uuid('withdrawn_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		unique('attachment_withdrawn_once').on(t.siteId, t.attachmentId),
		foreignKey({
			name: 'attachment_withdrawal_of',
			columns: [t.siteId, t.attachmentId],
			foreignColumns: [attachment.siteId, attachment.id]
		}),
		foreignKey({
			name: 'attachment_withdrawal_by',
			columns: [t.siteId, t.withdrawnBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** What the reader said when a slip was asked about; the finder learns from it. Insert-only. */
export const slipAnswer = mysqlTable(
	'slip_answer',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		runId: uuid('run_id').notNull(),
		/** Null where no usual slip explained the reading, and it was kept all the same. */
		kind: varchar('kind', { length: 24 }).$type<SlipKind>(),
		answer: varchar('answer', { length: 16, enum: ['that-is-it', 'as-entered'] }).notNull(),
		answeredBy: uuid('answered_by').notNull(),
		answeredAt: instantAt('answered_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'slip_answer_run',
			columns: [t.siteId, t.runId],
			foreignColumns: [testRun.siteId, testRun.id]
		}),
		foreignKey({
			name: 'slip_answer_by',
			columns: [t.siteId, t.answeredBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);
