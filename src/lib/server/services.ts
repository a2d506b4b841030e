import { createKeeper, type Keeper } from './reckon/keeper.ts';
import { createMemory } from './reckon/memory.ts';
import { reckon, type Done, type Task } from './reckon/reckon.ts';
import type { AnswerOf, AskedOf, ReckoningName } from './reckon/reckonings.ts';
import { supplementsUsed } from './repository/event.ts';
import type { Person } from './repository/people.ts';
import { photographsOf } from './repository/photograph.ts';
import { reachOf, type Reached, type SiteScope } from './repository/scope.ts';
import { readingById } from './repository/test.ts';
import { targetsOf } from './repository/water.ts';
import { personOfToken, startSession } from './service/account/sign-in.ts';
import { readSessions, saveSession } from './service/bench/save-session.ts';
import { changeFeed, holderOfFeed, readFeeds, siteCalendar } from './service/calendar/calendar.ts';
import { readBatches } from './service/correction/batches.ts';
import { readLimits, setLimit } from './service/correction/daily-limits.ts';
import { changePlan, noteStep, startPlan } from './service/correction/plan/run-plan.ts';
import { readSupplements, saveSupplement } from './service/correction/supplements.ts';
import type { PooledDeps } from './service/deps.ts';
import {
	judgementSettings,
	readProfiles,
	saveProfile,
	saveSettings,
	takeProfile
} from './service/judgement/judgement-settings.ts';
import type { WaterDay } from './service/judgement/read-day.ts';
import { boardOf, linesOf, type ReachedDay } from './service/judgement/read-overview.ts';
import { collectAnswers, readSent, saveReport, sendSample } from './service/laboratory/laboratory.ts';
import { keepPhotograph, readPhotograph, takePhotographBack } from './service/log/keep-photograph.ts';
import { logCsv } from './service/log/log-csv.ts';
import { readLog, readRecentEvents } from './service/log/read-log.ts';
import { recordEvent } from './service/log/record-event.ts';
import { readMethod, readMethods } from './service/method/read-methods.ts';
import { saveMethod } from './service/method/save-method.ts';
import { correctReading } from './service/reading/correct-reading.ts';
import { deriveAgain, previewDerivation } from './service/reading/derive-again.ts';
import { keepReading } from './service/reading/keep-reading.ts';
import { kitOfReading } from './service/reading/run-kit.ts';
import { saveTestRun } from './service/reading/save-test-run.ts';
import { addToShelf } from './service/shelf/add-to-shelf.ts';
import { decideCheck, previewDecision } from './service/shelf/decide-check.ts';
import { deriveItemAgain } from './service/shelf/derive-item.ts';
import { finishCheck } from './service/shelf/finish-check.ts';
import { noteItem } from './service/shelf/note-item.ts';
import { addWater, beginSite } from './service/water/add-water.ts';
import { changeWater, changeZone, orderWaters } from './service/water/change-water.ts';
import { chooseKits, readKits } from './service/water/choose-kits.ts';
import { leaveMadeUp, lookAtMadeUp, madeUpWater } from './service/water/made-up.ts';
import { firstWater, openWater, ownWater, type OpenWater } from './service/water/open-water.ts';
import { readWaters } from './service/water/read-waters.ts';
import { setTarget } from './service/water/set-target.ts';

/** Leaves out the first argument, which every use case takes: what it stands on. */
type Bound<F> = F extends (deps: PooledDeps, ...rest: infer R) => infer A ? (...rest: R) => A : never;

function bind<F extends (deps: PooledDeps, ...rest: never[]) => unknown>(
	deps: PooledDeps,
	useCase: F
): Bound<F> {
	return ((...rest: never[]) => useCase(deps, ...rest)) as Bound<F>;
}

/** Reckons in this very thread: where there is no pool of them, in development and in tests. */
function reckonHere(deps: PooledDeps): (task: Task) => Promise<Done> {
	const report = deps.report ?? (() => undefined);
	// Programs that are worked on change under what they kept: nobody else takes it over.
	const memory = createMemory(deps.db, `here ${deps.newId()}`, report);
	return (task) => reckon(deps.db, task, { newId: deps.newId, report, memory });
}

/** Which water is asked about, among which. */
function askingOf({ reach, water }: Pick<OpenWater, 'reach' | 'water'>) {
	const reached = reach.find((r) => r.water.id === water.id);
	if (!reached) throw new Error('a water that was opened is among those that its person reaches');
	return { reached, reach };
}

/** Those that were not taken down. */
const running = (reach: readonly Reached[]) => reach.filter((r) => r.water.endedAt === null);

/** What stands beside a water: made up beside made up, and one's own beside one's own. */
function peersOf({ reach, water }: Pick<OpenWater, 'reach' | 'water'>): readonly Reached[] {
	const madeUp = reach.some((r) => r.water.id === water.id && r.madeUp);
	return reach.filter((r) => r.madeUp === madeUp);
}

/** The day of each water; null of one that cannot be judged, which takes none of the others with it. */
async function daysOf(
	deps: PooledDeps,
	keeper: Keeper,
	reach: readonly Reached[]
): Promise<readonly ReachedDay[]> {
	const dayOf = async (reached: Reached): Promise<WaterDay | null> => {
		try {
			return await keeper.ask('day', { reached, reach });
		} catch (fault) {
			// That the records are away is no fault of this water.
			if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
			deps.report?.(fault, `water ${reached.water.id}`);
			return null;
		}
	};
	return Promise.all(reach.map(async (reached) => ({ reached, day: await dayOf(reached) })));
}

async function calendarOf(
	deps: PooledDeps,
	keeper: Keeper,
	scope: SiteScope,
	reach: readonly Reached[]
): Promise<string> {
	const tanks = running(reach).filter((r) => r.scope.siteId === scope.siteId && r.water.kind === 'tank');
	const days = await daysOf(deps, keeper, tanks);
	return siteCalendar(
		scope,
		days.map(({ reached: { water }, day }) => ({ id: water.id, name: water.name, day })),
		deps.clock.now()
	);
}

/**
 * All that the routes may ask for, standing on one database and one clock.
 *
 * @param run reckons one thing away from this thread
 */
export function createServices(deps: PooledDeps, run: (task: Task) => Promise<Done> = reckonHere(deps)) {
	const keeper = createKeeper(deps.clock, run);
	return {
		/** What has to be reckoned of an open water: kept from before, or made anew. */
		ask: <N extends ReckoningName>(name: N, open: OpenWater, ...asked: AskedOf<N>): Promise<AnswerOf<N>> =>
			keeper.ask(name, askingOf(open), ...asked),
		/** Begins what the next look will ask for, so that it finds it ready. Whether that works out is no one's concern. */
		prepare: async (person: Person, waterId: string): Promise<void> => {
			try {
				const open = await openWater(deps, person, waterId);
				if (open) await keeper.ask('day', askingOf(open));
			} catch (fault) {
				deps.report?.(fault as Error, `preparing water ${waterId}`);
			}
		},
		/** A line for each water that a person may see. */
		readLines: async (open: OpenWater) => linesOf(await daysOf(deps, keeper, running(peersOf(open)))),
		readBoard: async (open: OpenWater) => boardOf(await daysOf(deps, keeper, running(peersOf(open)))),
		siteCalendar: ({ scope, reach }: OpenWater) => calendarOf(deps, keeper, scope, reach),
		/** By a private address; null where that was revoked, or never was. */
		feedCalendar: async (token: string) => {
			const holder = await holderOfFeed(deps, token);
			if (!holder) return null;
			const reach = await reachOf(deps.db, holder.personId, deps.clock.now());
			return calendarOf(deps, keeper, holder.scope, reach);
		},
		clock: deps.clock,
		newId: deps.newId,
		personOfToken: bind(deps, personOfToken),
		startSession: bind(deps, startSession),
		openWater: bind(deps, openWater),
		firstWater: bind(deps, firstWater),
		ownWater: bind(deps, ownWater),
		saveSettings: bind(deps, saveSettings),
		saveProfile: bind(deps, saveProfile),
		takeProfile: bind(deps, takeProfile),
		beginSite: bind(deps, beginSite),
		addWater: bind(deps, addWater),
		changeWater: bind(deps, changeWater),
		orderWaters: bind(deps, orderWaters),
		changeZone: bind(deps, changeZone),
		readWaters: bind(deps, readWaters),
		madeUpWater: bind(deps, madeUpWater),
		lookAtMadeUp: bind(deps, lookAtMadeUp),
		leaveMadeUp: bind(deps, leaveMadeUp),
		readKits: bind(deps, readKits),
		chooseKits: bind(deps, chooseKits),
		readProfiles: bind(deps, readProfiles),
		settingsOf: (scope: SiteScope, waterId: string) => judgementSettings(deps.db, scope, waterId),
		changeFeed: bind(deps, changeFeed),
		readFeeds: bind(deps, readFeeds),
		sendSample: bind(deps, sendSample),
		readSent: bind(deps, readSent),
		collectAnswers: bind(deps, collectAnswers),
		saveReport: bind(deps, saveReport),
		readLog: bind(deps, readLog),
		readRecentEvents: bind(deps, readRecentEvents),
		logCsv: bind(deps, logCsv),
		readingById: (scope: SiteScope, id: string) => readingById(deps.db, scope, id),
		targetsOf: (scope: SiteScope, waterId: string) => targetsOf(deps.db, scope, waterId),
		supplementsUsed: (scope: SiteScope, waterId: string) => supplementsUsed(deps.db, scope, waterId),
		readMethods: bind(deps, readMethods),
		readMethod: bind(deps, readMethod),
		saveMethod: bind(deps, saveMethod),
		previewDerivation: bind(deps, previewDerivation),
		deriveAgain: bind(deps, deriveAgain),
		saveTestRun: bind(deps, saveTestRun),
		saveSession: bind(deps, saveSession),
		readSessions: bind(deps, readSessions),
		correctReading: bind(deps, correctReading),
		keepReading: bind(deps, keepReading),
		kitOfReading: bind(deps, kitOfReading),
		recordEvent: bind(deps, recordEvent),
		setTarget: bind(deps, setTarget),
		startPlan: bind(deps, startPlan),
		noteStep: bind(deps, noteStep),
		changePlan: bind(deps, changePlan),
		readSupplements: bind(deps, readSupplements),
		saveSupplement: bind(deps, saveSupplement),
		readLimits: bind(deps, readLimits),
		setLimit: bind(deps, setLimit),
		readBatches: bind(deps, readBatches),
		keepPhotograph: bind(deps, keepPhotograph),
		readPhotograph: bind(deps, readPhotograph),
		takePhotographBack: bind(deps, takePhotographBack),
		photographsOf: (scope: SiteScope, runId: string) => photographsOf(deps.db, scope, { runId }),
		addToShelf: bind(deps, addToShelf),
		noteItem: bind(deps, noteItem),
		finishCheck: bind(deps, finishCheck),
		previewDecision: bind(deps, previewDecision),
		decideCheck: bind(deps, decideCheck),
		deriveItemAgain: bind(deps, deriveItemAgain)
	};
}

export type Services = ReturnType<typeof createServices>;
