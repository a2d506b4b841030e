import mysql from 'mysql2/promise';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { demoMember } from '../../scripts/test-engine.mjs';
import { fromJson, toJson } from '../../src/lib/contract/json.ts';
import type { OpenSession } from '../../src/lib/contract/session.ts';
import { methodByCode, parametersOf } from '../../src/lib/core/method/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import { addDays, endOfDay, fromIso, type Instant } from '../../src/lib/core/time/index.ts';
import { contradictions, type Told } from '../support/contradictions.ts';
import { copyOf, type OwnDatabase } from '../support/engine.ts';
import { liveThrough } from '../support/simulated-life.ts';
import { openWorld, type World } from '../support/site.ts';

let database: OwnDatabase;
let world: World;
beforeAll(async () => {
	database = await copyOf(inject('engine'), join(inject('templates'), 'demo.sql'));
	world = openWorld(database.url);
});
afterAll(async () => {
	await world.close();
	await database.drop();
});

const NOW = fromIso('2026-11-23T18:20:00Z');
/** From now with all plans as they are, back through a year. */
const DAYS_AGO = [0, 1, 3, 6, 11, 20, 33, 61, 97, 150, 214, 271, 330];

/** Takes the records back to a time, as if nothing had been entered since. */
async function backTo(at: Instant): Promise<void> {
	const raw = await mysql.createConnection({ uri: database.migrationUrl, multipleStatements: true });
	const since = new Date(at).toISOString().slice(0, 23).replace('T', ' ');
	await raw.query(
		`set foreign_key_checks = 0;
		delete from sample where drawn_at > ?; delete from event where happened_at > ?;
		delete from correction_plan where starts_at > ?; delete from plan_note where happened_at > ?;
		update revision set counter = counter + 1;`,
		[since, since, since, since]
	);
	await raw.end();
}

const EVERYTHING = (waterId: string) => ({ waterId, what: null, before: null });

/** What sessions are to read of a water until a time, of the methods that everybody has. */
function plannedUntil(sessions: readonly OpenSession[], waterId: string, end: number): ParameterId[] {
	return sessions.flatMap(({ state, dueAt, tests }) =>
		state !== 'planned' || dueAt === null || dueAt > end
			? []
			: tests.flatMap((t) => {
					const method = t.waterId === waterId && t.standardId === null ? methodByCode(t.methodCode) : null;
					return method ? parametersOf(method) : [];
				})
	);
}

/** What the pages of a water tell now. */
async function toldOf(open: Awaited<ReturnType<World['open']>>): Promise<Told> {
	const { services } = world;
	const [day, adjust, bench, calendar, sessions] = await Promise.all([
		services.ask('day', open),
		services.ask('adjust', open),
		services.ask('bench', open),
		services.calendar.siteCalendar(open),
		services.bench.readSessions(open.scope)
	]);
	const { water, scope } = open;
	return {
		day,
		adjust,
		bench,
		plannedToday: plannedUntil(sessions, open.water.id, endOfDay(world.now, open.scope.timeZone)),
		calendar,
		name: water.name,
		isTank: water.kind === 'tank',
		timeZone: scope.timeZone
	};
}

describe('the pages of a water', () => {
	it('tell one story, on any day of the demo’s year', async () => {
		const person = { id: demoMember(inject('templates')), displayName: 'Keeper' };
		const found: string[] = [];
		let looked = 0;
		for (const days of DAYS_AGO) {
			world.now = addDays(NOW, -days);
			await backTo(world.now);
			const first = await world.services.water.firstWater(person);
			const reach = first ? (await world.services.water.openWater(person, first))!.reach : [];
			for (const { water } of reach) {
				const open = (await world.services.water.openWater(person, water.id))!;
				if (open.water.startedAt > world.now) continue;
				const told = await toldOf(open);
				found.push(...contradictions(told).map((words) => `${water.name}, ${days} days ago: ${words}`));
				looked++;
				// As JSON it reaches the page: nothing may be lost on the way.
				const { day, bench } = told;
				const read = { day, bench, log: await world.services.log.readLog(open.scope, EVERYTHING(water.id)) };
				expect(fromJson(toJson(read))).toEqual(read);
			}
		}
		expect(found).toEqual([]);
		expect(looked).toBeGreaterThan(60);
	});

	/** `TEVRIK_STORY_WATERS=200` takes so many through their year. */
	const WATERS = Number(process.env.TEVRIK_STORY_WATERS ?? 3);
	const KINDS = ['mixed-reef', 'stony-low-nutrient', 'fish-only'] as const;
	const LOOKS = [4, 12, 19, 33, 47, 61, 90, 118, 160, 203, 255, 301, 365];

	it(
		`tell one story of ${WATERS} simulated waters, through a year of theirs`,
		{ timeout: 60_000 + WATERS * 60_000 },
		async () => {
			const found: string[] = [];
			let looked = 0;
			world.now = NOW;
			for (let i = 0; i < WATERS; i++) {
				await liveThrough(world, KINDS[i % KINDS.length]!, 300 + i, LOOKS, async (waterId, name) => {
					const told = await toldOf(await world.open(waterId));
					const at = new Date(world.now).toISOString().slice(0, 10);
					found.push(...contradictions(told).map((words) => `${name}, ${at}: ${words}`));
					looked++;
				});
			}
			expect(found).toEqual([]);
			expect(looked).toBe(WATERS * LOOKS.length);
		}
	);
});
