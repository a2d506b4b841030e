import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RecordEvent } from '../../src/lib/contract/event.ts';
import { USUAL_SETTINGS } from '../../src/lib/contract/judgement.ts';
import { daysOfWindow } from '../../src/lib/contract/trends.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { readDay } from '../../src/lib/server/service/judgement/read-day.ts';
import { readFindings } from '../../src/lib/server/service/judgement/read-findings.ts';
import { readTrends } from '../../src/lib/server/service/trends/read-trends.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

let database: OwnDatabase;
/** Two processes on the same records, each with its own memory. */
let worlds: readonly [World, World];
beforeAll(async () => {
	database = await ownDatabase();
	worlds = [openWorld(database.url), openWorld(database.url)];
});
afterAll(async () => {
	await Promise.all(worlds.map((w) => w.close()));
	await database.drop();
});

const act = fc.oneof(
	{
		weight: 4,
		arbitrary: fc.record({
			kind: fc.constant('read' as const),
			day: fc.integer({ min: 0, max: 1200 }),
			ml: fc.integer({ min: 30, max: 60 })
		})
	},
	fc.record({ kind: fc.constant('correct' as const), ml: fc.integer({ min: 30, max: 60 }) }),
	fc.record({ kind: fc.constant('dose' as const), day: fc.integer({ min: 0, max: 60 }) }),
	fc.record({ kind: fc.constant('band' as const), low: fc.integer({ min: 6, max: 9 }) }),
	fc.record({ kind: fc.constant('habit' as const), everyDays: fc.constantFrom<7 | 14>(7, 14) }),
	fc.record({ kind: fc.constant('kit' as const) }),
	{ weight: 5, arbitrary: fc.record({ kind: fc.constant('look' as const) }) }
);

describe('what is kept', () => {
	it('is what reckoning anew gives, after any writes by two processes and any looks', async () => {
		let nth = 0;
		await fc.assert(
			fc.asyncProperty(
				fc.array(fc.record({ who: fc.constantFrom(0, 1), act }), { minLength: 6, maxLength: 16 }),
				async (acts) => {
					const [founder] = worlds;
					const { scope, waterId, person } = await founder.site(`kept ${nth++}`);
					worlds[1].knows(person, waterId);
					const readings: { readonly id: string; readonly ml: number }[] = [];
					const fills = (ml: number) => [{ startMl: 1, end: { lowerMl: ml / 100, upperMl: ml / 100 } }];
					for (const { who, act } of acts) {
						const world = worlds[who];
						const { services, deps } = world;
						const id = deps.newId();
						switch (act.kind) {
							case 'read': {
								const run = testRun(world, waterId, { finishedAt: addDays(NOON, -act.day) });
								run.reading.fills = fills(act.ml);
								expect(await services.reading.saveTestRun(scope, run)).toMatchObject({ ok: true });
								readings.push({ id: run.readingId, ml: act.ml });
								break;
							}
							case 'correct': {
								const last = readings.pop();
								if (!last || last.ml === act.ml) break;
								const reading = { ...testRun(world, waterId).reading, fills: fills(act.ml) };
								const command = { id, supersedes: last.id, reading, reason: 'misread' };
								expect(await services.reading.correctReading(scope, command)).toMatchObject({ ok: true });
								break;
							}
							case 'dose': {
								const happenedAt = addDays(NOON, -act.day);
								const details = {
									supplement: 'A',
									amountMl: 20,
									strength: [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.3 }]
								};
								const dose: RecordEvent = {
									id,
									waterId,
									kind: 'dose' as const,
									happenedAt,
									offsetMinutes: 0,
									details,
									note: ''
								};
								expect(await services.log.recordEvent(scope, dose)).toMatchObject({ ok: true });
								break;
							}
							case 'band': {
								const source = 'somebody';
								const band = {
									low: act.low,
									high: act.low + 1,
									aim: null,
									source,
									fromAt: addDays(NOON, -30)
								};
								await services.water.setTarget(scope, { id, waterId, parameter: 'alkalinity', ...band });
								break;
							}
							case 'habit': {
								const testing = { kind: 'fixed' as const, everyDays: act.everyDays };
								await services.judgement.saveSettings(scope, {
									id,
									waterId,
									settings: { ...USUAL_SETTINGS, testing }
								});
								break;
							}
							case 'kit':
								await services.method.deriveAgain(scope, { id, waterId, code: 'alk-syringe' });
								break;
							case 'look': {
								const { water } = await world.open(waterId);
								const days = daysOfWindow(addDays(NOON, -92), NOON);
								// Without a memory, and of a water that is kept by no revision.
								expect(await world.ask('day', waterId)).toEqual(await readDay(deps, scope, water));
								expect(await world.ask('findings', waterId)).toEqual(await readFindings(deps, scope, water));
								expect(await world.ask('trends', waterId, days)).toEqual(
									await readTrends(deps, scope, water, days)
								);
							}
						}
					}
				}
			),
			{ seed: 20261129, numRuns: 8 }
		);
	});
	it('is made once, however many ask at the same time', async () => {
		const [world] = worlds;
		const { waterId } = await world.site('at once');
		const before = world.reckoned;
		await Promise.all(Array.from({ length: 20 }, () => world.ask('day', waterId)));
		expect(world.reckoned - before).toBe(1);
	});
});
