// Fills the demo world once, through the same services as the application. Prints who the demo member is.
import { lobbyReef, LIBRARY, LOBBY_REEF, SINGLE_DOSE_SUPPLEMENT } from '../src/lib/demo/lobby-reef.ts';
import { PROFILES } from '../src/lib/core/judgement/index.ts';
import { stepsFor } from '../src/lib/core/method/index.ts';
import { addSeconds, civilDate, offsetMinutes, type Instant } from '../src/lib/core/time/index.ts';
import type { BenchEntry } from '../src/lib/core/bench/index.ts';
import type { ParameterId } from '../src/lib/core/quantity/index.ts';
import type { Result } from '../src/lib/core/result/index.ts';
import { clockSetting, idMaker, serverClock } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { memberByRole, siteByName } from '../src/lib/server/repository/founding.ts';
import { foundSite } from '../src/lib/server/service/found-site.ts';
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

function must<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(`the demo world was refused: ${JSON.stringify(result.fault)}`);
	return result.value;
}

/** A step log as a calm hand leaves it: every step done in its time. */
function calmLog(method: Parameters<typeof stepsFor>[0], start: Instant): BenchEntry[] {
	const log: BenchEntry[] = [];
	let at = start;
	for (const { action } of stepsFor(method, 'full')) {
		if (action.kind === 'drops') {
			for (let i = 0; i < action.count; i++) log.push({ at: (at = addSeconds(at, 2)), kind: 'drop' });
		} else if (action.kind === 'swirl' || action.kind === 'stand') {
			log.push({ at, kind: 'timer-started' });
			at = addSeconds(at, action.seconds + 1);
		} else at = addSeconds(at, action.handsS);
		log.push({ at, kind: 'step-done' });
	}
	return log;
}

async function fill(): Promise<string> {
	const story = lobbyReef(now);
	const startedAt = story.history.states[0]!.at;
	moment = now;
	const { personIds, waterIds } = await foundSite(deps, {
		name: LIBRARY.name,
		timeZone: LIBRARY.timeZone,
		createdAt: now,
		people: [
			{ displayName: 'Keeper', role: 'keeper' },
			{ displayName: 'Helper', role: 'helper' }
		],
		waters: [
			{
				name: LOBBY_REEF.name,
				kind: 'tank',
				netVolumeL: LOBBY_REEF.netVolumeL,
				profile: 'mixed-reef',
				hasAnimals: true,
				lightsOnMinute: 9 * 60,
				lightsOffMinute: 20 * 60,
				startedAt
			}
		]
	});
	const [keeperId, helperId] = personIds as [string, string];
	const waterId = waterIds[0]!;
	const keeper = await services.openWater({ id: keeperId, displayName: 'Keeper' }, waterId);
	const helper = await services.openWater({ id: helperId, displayName: 'Helper' }, waterId);
	if (!keeper || !helper) throw new Error('the demo members cannot reach their water');
	const offset = (at: Instant) => offsetMinutes(at, LIBRARY.timeZone);

	const profile = PROFILES['mixed-reef'];
	for (const [parameter, band] of Object.entries(profile.bands)) {
		moment = startedAt;
		must(
			await services.setTarget(keeper.scope, {
				id: deps.newId(),
				waterId,
				parameter: parameter as ParameterId,
				...band,
				source: `${profile.source}: ${profile.name.toLowerCase()}`,
				fromAt: startedAt
			})
		);
	}
	for (const event of story.events) {
		moment = event.at;
		const common = {
			id: deps.newId(),
			waterId,
			happenedAt: event.at,
			offsetMinutes: offset(event.at),
			note: ''
		};
		if (event.kind === 'water-change') {
			const newWater = Object.entries(event.newWater).map(([parameter, known]) => ({
				parameter: parameter as ParameterId,
				...known
			}));
			const volumeL = Math.round(event.fraction * LOBBY_REEF.netVolumeL);
			must(
				await services.recordEvent(keeper.scope, {
					...common,
					kind: event.kind,
					details: { volumeL, batch: event.batch ?? '', newWater }
				})
			);
		} else if (event.kind === 'recurring-dose-missed') {
			must(
				await services.recordEvent(keeper.scope, {
					...common,
					kind: event.kind,
					details: { supplement: event.supplement, days: event.days }
				})
			);
		} else if (event.kind === 'dose') {
			const details = {
				supplement: SINGLE_DOSE_SUPPLEMENT,
				amountMl: event.amountMl,
				strength: [...event.strength]
			};
			must(await services.recordEvent(keeper.scope, { ...common, kind: event.kind, details }));
		} else {
			const { supplement, amountMlPerDay } = event;
			const details = { supplement, amountMlPerDay, strength: [...event.strength] };
			must(await services.recordEvent(keeper.scope, { ...common, kind: event.kind, details }));
		}
	}
	for (const { at, kind, note } of story.notes) {
		moment = at;
		const common = { id: deps.newId(), waterId, happenedAt: at, offsetMinutes: offset(at) };
		must(await services.recordEvent(keeper.scope, { ...common, kind, details: {}, note }));
	}
	for (const [i, { at, method, reading }] of story.history.readings.entries()) {
		moment = at;
		const misread = i === story.misreadIndex;
		const other = reading.readAs === 'left' ? ('used' as const) : ('left' as const);
		const stepLog = calmLog(method, at);
		const readingId = deps.newId();
		// The helper tests on some Tuesdays.
		const { scope } = i % 7 === 3 ? helper : keeper;
		must(
			await services.saveTestRun(scope, {
				id: deps.newId(),
				sampleId: deps.newId(),
				readingId,
				waterId,
				methodCode: method.code,
				methodVersion: method.version,
				drawnAt: at,
				startedAt: at,
				finishedAt: at,
				offsetMinutes: offset(at),
				reading: { ...reading, fills: [...reading.fills], readAs: misread ? other : reading.readAs },
				stepLog,
				note: i % 41 === 17 ? 'Light was poor, read under the cabinet lamp.' : ''
			})
		);
		if (misread) {
			must(
				await services.correctReading(keeper.scope, {
					id: deps.newId(),
					supersedes: readingId,
					reading: { ...reading, fills: [...reading.fills] },
					reason: 'Entered what was left as what was used.'
				})
			);
		}
	}
	return keeperId;
}

const site = await siteByName(db, LIBRARY.name);
const personId = site ? await memberByRole(db, site.id, 'keeper') : await fill();
const madeOn = civilDate(site?.createdAt ?? now, LIBRARY.timeZone);
const ageDays = site ? Math.floor((now - site.createdAt) / 86_400_000) : 0;
console.log(JSON.stringify({ personId, madeOn, ageDays, isNew: !site }));
await connection.close();
