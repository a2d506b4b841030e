import { sql } from 'drizzle-orm';
import {
	boolean,
	check,
	double,
	foreignKey,
	index,
	mysqlTable,
	primaryKey,
	smallint,
	varchar
} from 'drizzle-orm/mysql-core';
import type { ProfileId } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { instantAt, uuid } from './columns.ts';

export const site = mysqlTable('site', {
	id: uuid('id').primaryKey(),
	name: varchar('name', { length: 120 }).notNull(),
	timeZone: varchar('time_zone', { length: 60 }).notNull(),
	/** Which shipped kits it has: every one, or those that its people said they test with. */
	takesShipped: varchar('takes_shipped', { length: 10, enum: ['all', 'chosen'] })
		.notNull()
		.default('all'),
	/** A look at the made-up world, which goes again by one press. */
	madeUp: boolean('made_up').notNull().default(false),
	createdAt: instantAt('created_at').notNull()
});

export const water = mysqlTable(
	'water',
	{
		siteId: uuid('site_id')
			.notNull()
			.references(() => site.id),
		id: uuid('id').notNull(),
		name: varchar('name', { length: 120 }).notNull(),
		kind: varchar('kind', {
			length: 24,
			enum: ['tank', 'new-mix', 'source', 'collected']
		}).notNull(),
		/** Minutes after midnight, in the site's zone; null without lights. As it began; `water_lights` has what came after. */
		lightsOnMinute: smallint('lights_on_minute'),
		lightsOffMinute: smallint('lights_off_minute'),
		hasAnimals: boolean('has_animals').notNull(),
		startedAt: instantAt('started_at').notNull(),
		/** Taken down: it is read, and nothing is asked of it any more. */
		endedAt: instantAt('ended_at'),
		/** A stranger's bottle: kept until then, and no tank of this house. Null where it is one. */
		guestUntil: instantAt('guest_until'),
		/** Where it stands among the others; those that were never put in order stand as they were added. */
		place: smallint('place').notNull().default(0),
		createdAt: instantAt('created_at').notNull()
	},
	(t) => [primaryKey({ columns: [t.siteId, t.id] })]
);

/** Net volume is dated: a past dose keeps the volume it was given in. */
export const waterVolume = mysqlTable(
	'water_volume',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		netVolumeL: double('net_volume_l').notNull(),
		/** Standard uncertainty; null where nobody said how it is known. */
		uL: double('u_l'),
		fromAt: instantAt('from_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'water_volume_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		check('water_volume_positive', sql`${t.netVolumeL} > 0`)
	]
);

/** The profile (kind and stage) of a water from a time on. */
export const waterProfile = mysqlTable(
	'water_profile',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		profile: varchar('profile', { length: 40 }).$type<ProfileId>().notNull(),
		fromAt: instantAt('from_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'water_profile_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		})
	]
);

/** When the light is on, from a time on; both null: there is none. */
export const waterLights = mysqlTable(
	'water_lights',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		/** Minutes after midnight, in the site's zone. */
		onMinute: smallint('on_minute'),
		offMinute: smallint('off_minute'),
		fromAt: instantAt('from_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'water_lights_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		})
	]
);

/** The band of one parameter from a time on; insert-only, so that a past verdict keeps its band. */
export const target = mysqlTable(
	'target',
	{
		siteId: uuid('site_id').notNull(),
		id: uuid('id').notNull(),
		waterId: uuid('water_id').notNull(),
		parameter: varchar('parameter', { length: 24 }).$type<ParameterId>().notNull(),
		/** Canonical unit of the parameter. All three null: from then on there is no band. */
		low: double('low'),
		high: double('high'),
		aim: double('aim'),
		source: varchar('source', { length: 200 }).notNull(),
		fromAt: instantAt('from_at').notNull(),
		receivedAt: instantAt('received_at').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.siteId, t.id] }),
		foreignKey({
			name: 'target_water',
			columns: [t.siteId, t.waterId],
			foreignColumns: [water.siteId, water.id]
		}),
		index('target_by_water').on(t.siteId, t.waterId, t.parameter, t.fromAt),
		check('target_in_order', sql`${t.low} is null or ${t.high} is null or ${t.low} < ${t.high}`)
	]
);
