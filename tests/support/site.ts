import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import type { SaveTestRun } from '../../src/lib/contract/test-run.ts';
import { ALK_SYRINGE } from '../../src/lib/core/method/index.ts';
import type { SyringeReading } from '../../src/lib/core/reading/index.ts';
import { addDays, fromIso, instant, type Instant } from '../../src/lib/core/time/index.ts';
import { idMaker } from '../../src/lib/server/clock.ts';
import { connect } from '../../src/lib/server/db/connect.ts';
import { createMemory } from '../../src/lib/server/reckon/memory.ts';
import { reckon } from '../../src/lib/server/reckon/reckon.ts';
import type { AnswerOf, AskedOf, ReckoningName } from '../../src/lib/server/reckon/reckonings.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { foundSite } from '../../src/lib/server/service/account/found-site.ts';
import { createServices } from '../../src/lib/server/services.ts';
import { watched } from './watched.ts';

type Person = Parameters<ReturnType<typeof createServices>['water']['openWater']>[0];

export const NOON = fromIso('2026-11-20T12:00:00Z');

/** The application's own services on a real database, with a clock that the test sets. */
export function openWorld(url: string) {
	let now: Instant = NOON;
	const connection = connect(url);
	const clock = { now: () => now };
	const deps = { db: connection.db, clock, newId: idMaker(clock) };
	let reckoned = 0;
	const memory = createMemory(deps.db, 'tests', () => undefined);
	const services = watched(
		deps.db,
		createServices(deps, (task) => {
			reckoned++;
			return reckon(deps.db, task, { newId: deps.newId, report: () => undefined, memory });
		})
	);
	const people = new Map<string, Person>();
	/** The water as its keeper finds it now. */
	const open = async (waterId: string) => {
		const opened = await services.water.openWater(people.get(waterId)!, waterId);
		if (!opened) throw new Error('the keeper cannot reach the tank');
		return opened;
	};
	return {
		deps,
		services,
		close: () => connection.close(),
		set now(at: Instant) {
			now = at;
		},
		get now() {
			return now;
		},
		open,
		/** How often something was reckoned anew. */
		get reckoned() {
			return reckoned;
		},
		/** Somebody who was made elsewhere. */
		knows: (person: Person, waterId: string) => void people.set(waterId, person),
		/** What a page would ask for. */
		ask: async <N extends ReckoningName>(
			name: N,
			waterId: string,
			...asked: AskedOf<N>
		): Promise<AnswerOf<N>> => services.ask(name, await open(waterId), ...asked),
		bench: async (waterId: string, habits: ShelfHabits) =>
			services.bench.readBench(await open(waterId), habits),
		/** The whole file of a log, line by line. */
		csvLines: async (scope: SiteScope, filter: Parameters<typeof services.log.logCsv>[1]) => {
			let file = '';
			for await (const piece of services.log.logCsv(scope, filter)) file += piece;
			return file.split('\r\n');
		},
		/** A new site with one keeper and one tank; every call makes another. */
		async site(name: string) {
			const { siteId, personIds, waterIds } = await foundSite(deps, {
				name,
				timeZone: 'Europe/Lisbon',
				createdAt: addDays(now, -400),
				people: [{ displayName: `Keeper of ${name}`, role: 'owner' }],
				waters: [
					{
						name: `${name} tank`,
						kind: 'tank',
						netVolumeL: 540,
						profile: 'mixed-reef',
						hasAnimals: true,
						lightsOnMinute: 540,
						lightsOffMinute: 1200,
						startedAt: addDays(now, -400)
					}
				]
			});
			const person = { id: personIds[0]!, displayName: `Keeper of ${name}` };
			for (const id of waterIds) people.set(id, person);
			const { scope, water } = await open(waterIds[0]!);
			return { siteId, person, waterId: waterIds[0]!, scope, water };
		}
	};
}

export type World = ReturnType<typeof openWorld>;

/** A whole test as the bench would send it, its plunger ready to be changed. */
export type SyringeRun = Omit<SaveTestRun, 'reading'> & {
	reading: { -readonly [K in keyof SyringeReading]: SyringeReading[K] };
};

/** Alkalinity, 0.41 mL left. */
export function testRun(world: World, waterId: string, change: Partial<SyringeRun> = {}): SyringeRun {
	const at = instant(change.finishedAt ?? world.now);
	return {
		id: world.deps.newId(),
		sampleId: world.deps.newId(),
		readingId: world.deps.newId(),
		waterId,
		methodCode: ALK_SYRINGE.code,
		methodVersion: ALK_SYRINGE.version,
		drawnAt: at,
		startedAt: at,
		finishedAt: at,
		offsetMinutes: 0,
		reading: {
			form: 'syringe',
			portion: 'full',
			readAs: 'left',
			fills: [{ startMl: 1, end: { lowerMl: 0.41, upperMl: 0.41 } }],
			sure: true
		},
		stepLog: [{ at, kind: 'step-done' }],
		note: '',
		...change
	};
}
