// Fills the demo world once, through the same services as the application. Prints who the demo member is.
import type { RecordEvent } from '../src/lib/contract/event.ts';
import type { NoteItem } from '../src/lib/contract/shelf.ts';
import type { BenchEntry } from '../src/lib/core/bench/index.ts';
import { LABEL_U } from '../src/lib/core/correction/index.ts';
import { PROFILES } from '../src/lib/core/judgement/index.ts';
import { stepsFor, timerSecondsOf, type Method, type Portion } from '../src/lib/core/method/index.ts';
import type { ParameterId } from '../src/lib/core/quantity/index.ts';
import type { Result } from '../src/lib/core/result/index.ts';
import { addDays, addSeconds, civilDate, offsetMinutes, type Instant } from '../src/lib/core/time/index.ts';
import { LIBRARY } from '../src/lib/demo/lobby-reef.ts';
import { kitOf } from '../src/lib/demo/shelf.ts';
import type { DemoShelf, DemoShelfNote, SiteStory, WaterStory } from '../src/lib/demo/story.ts';
import { demoWorld } from '../src/lib/demo/world.ts';
import { clockSetting, idMaker, serverClock } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { hasAccounts } from '../src/lib/server/repository/account.ts';
import { memberByRole, siteByName } from '../src/lib/server/repository/founding.ts';
import type { SiteScope } from '../src/lib/server/repository/scope.ts';
import { waterAt } from '../src/lib/server/repository/water.ts';
import { foundSite } from '../src/lib/server/service/account/found-site.ts';
import { readPlan } from '../src/lib/server/service/correction/plan/read-plan.ts';
import { judgedWater } from '../src/lib/server/service/judgement/judged-water.ts';
import { adoptShipped } from '../src/lib/server/service/method/adopt-shipped.ts';
import { lookAtMadeUp } from '../src/lib/server/service/water/made-up.ts';
import { createServices } from '../src/lib/server/services.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const connection = connect(url);
const { db } = connection;
const real = serverClock(clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now()));
const now = real.now();

/** A clock that stands at the moment of which the story tells, so that "received" fits "happened". */
let moment: Instant = now;
const clock = { now: () => moment };
const deps = { db, clock, newId: idMaker(clock) };
const services = createServices(deps);

/** Who asked for it, where it is made beside somebody's own water. */
const member = process.env.TEVRIK_MEMBER;

function must<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(`the demo world was refused: ${JSON.stringify(result.fault)}`);
	return result.value;
}

/** A step log as a calm hand leaves it: every step done in its time. */
function calmLog(method: Method, portion: Portion, start: Instant): BenchEntry[] {
	const log: BenchEntry[] = [];
	let at = start;
	for (const step of stepsFor(method, portion)) {
		const { action } = step;
		const seconds = timerSecondsOf(step);
		if (action.kind === 'drops') {
			for (let i = 0; i < action.count; i++) log.push({ at: (at = addSeconds(at, 2)), kind: 'drop' });
		} else if (seconds !== null) {
			log.push({ at, kind: 'timer-started' });
			at = addSeconds(at, seconds + 1);
		} else if ('handsS' in action) at = addSeconds(at, action.handsS);
		log.push({ at, kind: 'step-done' });
	}
	return log;
}

interface At {
	readonly scopes: readonly [SiteScope, SiteScope];
	/** What stands on the site's shelf, and the ids that its things were given. */
	readonly shelf: DemoShelf;
	readonly itemIds: ReadonlyMap<string, string>;
	readonly waterId: string;
	readonly timeZone: string;
}

async function fillTargets({ scopes, waterId }: At, story: WaterStory): Promise<void> {
	if (!story.profile) return;
	const profile = PROFILES[story.profile];
	moment = story.startedAt;
	for (const [parameter, band] of Object.entries(profile.bands)) {
		must(
			await services.water.setTarget(scopes[0], {
				id: deps.newId(),
				waterId,
				parameter: parameter as ParameterId,
				...band,
				source: `${profile.source}: ${profile.name.toLowerCase()}`,
				fromAt: story.startedAt
			})
		);
	}
}

async function fillEvents({ scopes, waterId, timeZone }: At, story: WaterStory): Promise<void> {
	const record = async (at: Instant, rest: object) => {
		moment = at;
		const common = { id: deps.newId(), waterId, happenedAt: at, offsetMinutes: offsetMinutes(at, timeZone) };
		must(
			await services.log.recordEvent(scopes[0], { note: '', ...common, ...rest } as unknown as RecordEvent)
		);
	};
	for (const event of story.events) {
		const { kind, at } = event;
		if (kind === 'water-change') {
			const newWater = Object.entries(event.newWater).map(([parameter, known]) => ({ parameter, ...known }));
			const volumeL = Math.round(event.fraction * story.netVolumeL!);
			await record(at, { kind, details: { volumeL, batch: event.batch ?? '', newWater } });
		} else if (kind === 'recurring-dose-missed') {
			await record(at, { kind, details: { supplement: event.supplement, days: event.days } });
		} else if (kind === 'dose') {
			const { amountMl, strength } = event;
			await record(at, { kind, details: { supplement: story.singleDoses, amountMl, strength } });
		} else {
			const { supplement, amountMlPerDay, strength } = event;
			await record(at, { kind, details: { supplement, amountMlPerDay, strength } });
		}
	}
	for (const { at, ...details } of story.batches) await record(at, { kind: 'new-mix', details });
	for (const { at, kind, note } of story.notes) await record(at, { kind, details: {}, note });
}

async function fillReadings(
	{ scopes, waterId, timeZone, shelf, itemIds }: At,
	story: WaterStory
): Promise<void> {
	for (const [i, one] of story.readings.entries()) {
		const { at, method, reading } = one;
		const stepLog = calmLog(method, reading.portion, at);
		const finishedAt = stepLog.at(-1)?.at ?? at;
		moment = finishedAt;
		const readingId = deps.newId();
		const kit = itemIds.get(kitOf(shelf, one) ?? '');
		must(
			// The other member tests now and then.
			await services.reading.saveTestRun(scopes[i % 7 === 3 ? 1 : 0], {
				id: deps.newId(),
				sampleId: deps.newId(),
				readingId,
				waterId,
				...(kit ? { itemIds: [kit] } : {}),
				methodCode: method.code,
				methodVersion: method.version,
				drawnAt: at,
				startedAt: at,
				finishedAt,
				offsetMinutes: offsetMinutes(at, timeZone),
				reading: one.firstEnteredAs ?? reading,
				stepLog,
				note: one.note ?? ''
			})
		);
		if (one.correctedBecause) {
			const id = deps.newId();
			must(
				await services.reading.correctReading(scopes[0], {
					id,
					supersedes: readingId,
					reading,
					reason: one.correctedBecause
				})
			);
		}
	}
}

async function fillSupplements(scope: SiteScope, waterId: string, story: SiteStory): Promise<void> {
	for (const { name, parameter, risePerMlIn100L, form, notWith } of story.supplements) {
		must(
			await services.correction.saveSupplement(scope, {
				id: deps.newId(),
				waterId,
				name,
				details: {
					what: {
						kind: 'product',
						unit: 'ml',
						strength: [{ parameter, risePer100L: risePerMlIn100L }],
						form,
						from: 'label',
						relativeU: LABEL_U
					},
					notWith,
					inUse: true
				}
			})
		);
	}
}

/** Corrections, made by the application itself on the day on which they began, and carried out as the story says. */
async function fillPlans({ scopes, waterId, timeZone }: At, story: WaterStory): Promise<void> {
	const [scope] = scopes;
	for (const { startsAt, limits, goals, endedAt, note } of story.plans) {
		moment = addSeconds(startsAt, -60);
		for (const { parameter, perDay } of limits) {
			const limit = { id: deps.newId(), waterId, parameter, direction: 'up', perDay, reason: '' } as const;
			must(await services.correction.setLimit(scope, limit));
		}
		moment = startsAt;
		const supplements = await services.correction.readSupplements(scope);
		const water = await waterAt(db, scope, waterId, startsAt);
		const { estimates } = await judgedWater(deps, scope, water!);
		const planId = deps.newId();
		must(
			await services.correction.startPlan(scope, {
				id: planId,
				waterId,
				startsAt,
				offsetMinutes: offsetMinutes(startsAt, timeZone),
				request: {
					kind: 'doses',
					volumeKnown: true,
					goals: goals.map(({ parameter, supplement, risePerDay, days }) => ({
						parameter,
						// Seen from the kit's estimate of that morning.
						aim: estimates.of(parameter)!.at(startsAt).value + risePerDay * days,
						supplementId: supplements.find((s) => s.name === supplement)?.id ?? supplement
					}))
				}
			})
		);
		const planned = new Set((await readPlan(deps, scope, water!, planId))!.steps.map((s) => s.id));
		for (const { parameter, given } of goals) {
			for (const [day, amount] of given.entries()) {
				const stepId = `${day}-dose-${parameter}`;
				// A plan may come out a day shorter, as the kits read on the day on which the demo is made.
				if (!planned.has(stepId)) continue;
				moment = addDays(startsAt, day + 0.1);
				must(
					await services.correction.noteStep(scope, {
						id: deps.newId(),
						planId,
						stepId,
						outcome: 'done',
						amount,
						happenedAt: moment,
						offsetMinutes: offsetMinutes(moment, timeZone),
						note: ''
					})
				);
			}
		}
		if (endedAt) {
			moment = endedAt;
			must(await services.correction.changePlan(scope, { id: deps.newId(), planId, what: 'reached', note }));
		}
	}
}

/** Things come on the shelf when they were bought; what was noted of them follows after the readings. */
async function fillThings(scope: SiteScope, waterId: string, shelf: DemoShelf): Promise<Map<string, string>> {
	const ids = new Map<string, string>();
	for (const { key, method, row } of shelf.things) {
		moment = (row.boughtAt ?? now) as Instant;
		const id = deps.newId();
		const read = { methodCode: method?.code ?? null, methodVersion: method?.version ?? null };
		must(await services.shelf.addToShelf(scope, { id, waterId, ...read, ...row }));
		ids.set(key, id);
	}
	return ids;
}

async function noteThing(
	scope: SiteScope,
	waterId: string,
	itemId: string,
	note: DemoShelfNote
): Promise<void> {
	moment = note.at;
	const { kind, details, at: happenedAt, note: text = '' } = note;
	const id = deps.newId();
	must(
		await services.shelf.noteItem(scope, {
			id,
			waterId,
			itemId,
			kind,
			details,
			happenedAt,
			note: text
		} as NoteItem)
	);
}

async function fillChecks({ scopes, waterId, timeZone, shelf, itemIds }: At): Promise<void> {
	const [scope] = scopes;
	for (const { kit, standard, parameter, at, method, readings, accepted } of shelf.checks) {
		const itemId = itemIds.get(kit)!;
		const runIds: string[] = [];
		for (const [i, reading] of readings.entries()) {
			const startedAt = addSeconds(at, 600 * i);
			const stepLog = calmLog(method, reading.portion, startedAt);
			moment = stepLog.at(-1)?.at ?? startedAt;
			const runId = deps.newId();
			runIds.push(runId);
			must(
				await services.reading.saveTestRun(scope, {
					id: runId,
					sampleId: deps.newId(),
					readingId: deps.newId(),
					waterId,
					standardId: itemIds.get(standard)!,
					itemIds: [itemId],
					methodCode: method.code,
					methodVersion: method.version,
					drawnAt: startedAt,
					startedAt,
					finishedAt: moment,
					offsetMinutes: offsetMinutes(moment, timeZone),
					reading,
					stepLog,
					note: ''
				})
			);
		}
		moment = addSeconds(at, 2000);
		const { checkId } = must(
			await services.shelf.finishCheck(scope, { id: deps.newId(), waterId, itemId, parameter, runIds })
		);
		if (!accepted) continue;
		const decision = { decision: 'accept', span: 'all', retire: false, note: '' } as const;
		must(await services.shelf.decideCheck(scope, { id: deps.newId(), waterId, checkId, ...decision }));
	}
}

async function fillSessions(
	{ scopes, waterId, shelf, itemIds }: At,
	story: SiteStory,
	waterIds: readonly string[]
): Promise<void> {
	for (const { state, at, dueAt, tests } of story.sessions) {
		moment = at;
		const startedAt = addSeconds(at, -240);
		const rows = tests.map(({ water, method, stepsDone }) => ({
			runId: deps.newId(),
			sampleId: deps.newId(),
			readingId: deps.newId(),
			waterId: waterIds[story.waters.findIndex((w) => w.name === water)]!,
			methodCode: method.code,
			methodVersion: method.version,
			portion: 'full' as const,
			dilutionParts: null,
			kitId:
				itemIds.get(
					shelf.things.find((t) => t.method?.code === method.code && t.row.kind === 'kit')?.key ?? ''
				) ?? null,
			standardId: null,
			drawnAt: startedAt,
			startedAt,
			log: Array.from({ length: stepsDone }, (_, i) => ({
				at: addSeconds(startedAt, 40 * (i + 1)),
				kind: 'step-done' as const
			})),
			over: false
		}));
		const ids = { id: deps.newId(), sessionId: deps.newId() };
		must(
			await services.bench.saveSession(scopes[0], {
				...ids,
				waterId,
				revision: 1,
				state,
				dueAt,
				startedAt,
				tests: rows
			})
		);
	}
}

async function fillSetsAndPurified({ scopes, waterId }: At, story: SiteStory, waterIds: readonly string[]) {
	moment = addSeconds(now, -3600);
	for (const { tests, ...set } of story.sets) {
		const command = {
			...set,
			id: deps.newId(),
			setId: deps.newId(),
			waterId,
			weekdays: [...set.weekdays],
			tests: tests.map(({ water, ...test }) => ({
				...test,
				waterId: waterIds[story.waters.findIndex((w) => w.name === water)]!
			})),
			over: false
		};
		must(await services.bench.saveSet(scopes[0], command));
	}
	for (const { at, fact } of story.purified) {
		moment = at;
		const command = { id: deps.newId(), waterId, happenedAt: at, facts: [fact], note: '' };
		must(await services.purified.notePurified(scopes[0], command));
	}
}

async function fillSite(
	story: SiteStory,
	known: Readonly<Record<string, string>>
): Promise<Record<string, string>> {
	moment = now;
	const { personIds, waterIds } = await foundSite(deps, {
		madeUp: member !== undefined,
		name: story.name,
		timeZone: story.timeZone,
		createdAt: now,
		people: story.people.map((p) => ({
			...p,
			...(known[p.displayName] ? { personId: known[p.displayName]! } : {})
		})),
		waters: story.waters.map(({ lights, ...w }) => ({
			name: w.name,
			kind: w.kind,
			netVolumeL: w.netVolumeL,
			profile: w.profile,
			hasAnimals: w.hasAnimals,
			lightsOnMinute: lights?.[0] ?? null,
			lightsOffMinute: lights?.[1] ?? null,
			startedAt: w.startedAt
		}))
	});
	let itemIds: ReadonlyMap<string, string> | null = null;
	let first: At | null = null;
	for (const [i, water] of story.waters.entries()) {
		const waterId = waterIds[i]!;
		moment = now;
		const scopes = await Promise.all(
			story.people.map(async ({ displayName }, p) => {
				const open = await services.water.openWater({ id: personIds[p]!, displayName }, waterId);
				if (!open) throw new Error('a demo member cannot reach a water');
				return open.scope;
			})
		);
		const { shelf, timeZone } = story;
		if (!itemIds) {
			itemIds = await fillThings(scopes[0]!, waterId, shelf);
			await fillSupplements(scopes[0]!, waterId, story);
			for (const { key, notes } of shelf.things) {
				for (const note of notes.filter((n) => n.kind !== 'retired')) {
					await noteThing(scopes[0]!, waterId, itemIds.get(key)!, note);
				}
			}
		}
		const at: At = { scopes: [scopes[0]!, scopes[1]!], waterId, timeZone, shelf, itemIds };
		first ??= at;
		await fillTargets(at, water);
		await fillEvents(at, water);
		await fillReadings(at, water);
		await fillPlans(at, water);
	}
	if (first) {
		await fillSessions(first, story, waterIds);
		await fillSetsAndPurified(first, story, waterIds);
		await fillChecks(first);
		for (const { key, notes } of story.shelf.things) {
			for (const note of notes.filter((n) => n.kind === 'retired')) {
				await noteThing(first.scopes[0], first.waterId, first.itemIds.get(key)!, note);
			}
		}
	}
	return Object.fromEntries(story.people.map((p, i) => [p.displayName, personIds[i]!]));
}

async function fill(): Promise<string> {
	let people: Record<string, string> = {};
	for (const site of demoWorld(now)) people = { ...people, ...(await fillSite(site, people)) };
	return people.Keeper!;
}

// In the demo somebody may have come in by an invitation, too.
if (member === undefined && !(await siteByName(db, LIBRARY.name)) && (await hasAccounts(db))) {
	throw new Error('this database holds somebody’s own water; the demo needs one of its own');
}
// Somebody who looks at it beside their own water.
if (member !== undefined && !(await lookAtMadeUp(deps, { id: member }))) {
	await fill();
	await lookAtMadeUp(deps, { id: member });
}

const site = await siteByName(db, LIBRARY.name);
if (site) await adoptShipped(deps);
const personId = site ? await memberByRole(db, site.id, 'owner') : await fill();
const madeOn = civilDate(site?.createdAt ?? now, LIBRARY.timeZone);
const ageDays = site ? Math.floor((now - site.createdAt) / 86_400_000) : 0;
console.log(JSON.stringify({ personId, madeOn, ageDays, isNew: !site }));
await connection.close();
