import { double, foreignKey, index, mysqlTable, primaryKey, smallint, varchar } from 'drizzle-orm/mysql-core';
import type { KeptSupplement } from '$lib/contract/adjust';
import type { Limited } from '$lib/core/caution';
import type { KeptPlan, PlanNoteDetails, PlanNoteKind } from '$lib/core/correction';
import { document, instantAt, uuid } from './columns.ts';
import { membership } from './people.ts';
import { site, water } from './site.ts';

/** Something of the keeper's own that is added to water; the newest of a name holds. Insert-only. */
export const supplement = mysqlTable(
	'supplement',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		name: varchar('name', { length: 120 }).notNull(),
		details: document<KeptSupplement>()('details').notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'supplement_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** What a day may change a water, as its keeper set it; the newest of a parameter and direction holds. Insert-only. */
export const dailyLimit = mysqlTable(
	'daily_limit',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		parameter: varchar('parameter', { length: 24 }).$type<Limited>().notNull(),
		direction: varchar('direction', { length: 4, enum: ['up', 'down'] }).notNull(),
		perDay: double('per_day').notNull(),
		reason: varchar('reason', { length: 500 }).notNull(),
		savedBy: uuid('saved_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'daily_limit_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'daily_limit_by',
			columns: [t.siteId, t.savedBy],
			foreignColumns: [membership.siteId, membership.id]
		})
	]
);

/** A correction as it was planned when it began. Insert-only. */
export const correctionPlan = mysqlTable(
	'correction_plan',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		plan: document<KeptPlan>()('plan').notNull(),
		startsAt: instantAt('starts_at').notNull(),
		offsetMinutes: smallint('offset_minutes').notNull(),
		madeBy: uuid('made_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'correction_plan_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		foreignKey({
			name: 'correction_plan_by',
			columns: [t.siteId, t.madeBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('correction_plan_of_water').on(t.siteId, t.waterId, t.startsAt)
	]
);

/** What became of a plan: a step done or left out, the rest planned anew, the end. Insert-only. */
export const planNote = mysqlTable(
	'plan_note',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		planId: uuid('plan_id').notNull(),
		kind: varchar('kind', { length: 12 }).$type<PlanNoteKind>().notNull(),
		details: document<PlanNoteDetails>()('details').notNull(),
		note: varchar('note', { length: 2000 }).notNull(),
		happenedAt: instantAt('happened_at').notNull(),
		notedBy: uuid('noted_by').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'plan_note_plan',
			columns: [t.siteId, t.planId],
			foreignColumns: [correctionPlan.siteId, correctionPlan.id]
		}),
		foreignKey({
			name: 'plan_note_by',
			columns: [t.siteId, t.notedBy],
			foreignColumns: [membership.siteId, membership.id]
		}),
		index('plan_note_of_plan').on(t.siteId, t.planId, t.happenedAt)
	]
);
