import { foreignKey, index, mysqlTable, primaryKey, smallint, unique, varchar } from 'drizzle-orm/mysql-core';
import type { SaveProfile } from '$lib/contract/judgement';
import type { JudgementSettings } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { site, water } from './site.ts';

/** How a water is judged and tested from a time on; the newest holds. Insert-only. */
export const judgementSetting = mysqlTable(
	'judgement_setting',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		settings: document<JudgementSettings>()('settings').notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'judgement_setting_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'judgement_setting_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** Bands under a name of the keeper's own; the newest of a name holds. Insert-only. */
export const ownProfile = mysqlTable(
	'own_profile',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		name: varchar('name', { length: 80 }).notNull(),
		source: varchar('source', { length: 200 }).notNull(),
		bands: document<SaveProfile['bands']>()('bands').notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'own_profile_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** A private calendar address. Only a digest of its token is kept; a revoked one answers no more. */
export const calendarFeed = mysqlTable(
	'calendar_feed',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		membershipId: uuid('membership_id').notNull(),
		tokenDigest: varchar('token_digest', { length: 64 }).notNull(),
		createdAt: instantAt('created_at').notNull(),
		revokedAt: instantAt('revoked_at')
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		unique('calendar_feed_token').on(t.tokenDigest),
		foreignKey({
			name: 'calendar_feed_member',
			columns: [t.siteId, t.membershipId],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** A bottle that was sent to the laboratory. Insert-only. */
export const laboratorySample = mysqlTable(
	'laboratory_sample',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		parameters: document<readonly ParameterId[]>()('parameters').notNull(),
		drawnAt: instantAt('drawn_at').notNull(),
		offsetMinutes: smallint('offset_minutes').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		sentAt: instantAt('sent_at').notNull(),
		sentBy: uuid('sent_by').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'laboratory_sample_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'laboratory_sample_by',
			columns: [t.siteId, t.sentBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('laboratory_sample_of_water').on(t.siteId, t.waterId, t.sentAt)
	]
);

/** The laboratory answered a sample, once. Insert-only. */
export const laboratoryAnswer = mysqlTable(
	'laboratory_answer',
	{
		siteId: uuid('site_id').notNull(),
		sampleId: uuid('sample_id').notNull(),
		answeredAt: instantAt('answered_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.sampleId] }),
		foreignKey({
			name: 'laboratory_answer_sample',
			columns: [t.siteId, t.sampleId],
			foreignColumns: [laboratorySample.siteId, laboratorySample.id]
		})
	]
);
