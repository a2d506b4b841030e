import { photographsOf } from './repository/photograph.ts';
import { readingById } from './repository/test.ts';
import { supplementsUsed } from './repository/event.ts';
import { targetsOf } from './repository/water.ts';
import type { SiteScope } from './repository/scope.ts';
import { addToShelf } from './service/add-to-shelf.ts';
import { decideCheck, previewDecision } from './service/decide-check.ts';
import { deriveItemAgain } from './service/derive-item.ts';
import { finishCheck } from './service/finish-check.ts';
import { noteItem } from './service/note-item.ts';
import { compareKits, readShelf, readShelfThing } from './service/read-shelf.ts';
import { correctReading } from './service/correct-reading.ts';
import type { PooledDeps } from './service/deps.ts';
import { changeFeed, feedCalendar, readFeeds, siteCalendar } from './service/calendar.ts';
import {
	judgementSettings,
	readProfiles,
	saveProfile,
	saveSettings,
	takeProfile
} from './service/judgement-settings.ts';
import { judgeWater } from './service/judge-water.ts';
import { collectAnswers, readSent, saveReport, sendSample } from './service/laboratory.ts';
import { readComparison } from './service/read-comparison.ts';
import { readFindings } from './service/read-findings.ts';
import { readPanel } from './service/read-panel.ts';
import { keepPhotograph, readPhotograph, takePhotographBack } from './service/keep-photograph.ts';
import { keepReading } from './service/keep-reading.ts';
import { logCsv } from './service/log-csv.ts';
import { deriveAgain, previewDerivation } from './service/derive-again.ts';
import { firstWater, openWater } from './service/open-water.ts';
import { readBench } from './service/read-bench.ts';
import { kitOfReading } from './service/run-kit.ts';
import { readDoubt } from './service/read-doubt.ts';
import { readLog, readRecentEvents, readWholeLog } from './service/read-log.ts';
import { readMethod, readMethods } from './service/read-methods.ts';
import { readBoard, readLines } from './service/read-overview.ts';
import { readDangers, readToday } from './service/read-today.ts';
import { readTrends } from './service/read-trends.ts';
import { recordEvent } from './service/record-event.ts';
import { saveMethod } from './service/save-method.ts';
import { readSessions, saveSession } from './service/save-session.ts';
import { saveTestRun } from './service/save-test-run.ts';
import { readBatches } from './service/batches.ts';
import { readLimits, setLimit } from './service/daily-limits.ts';
import { readAdjust } from './service/read-adjust.ts';
import { readChange } from './service/read-change.ts';
import { readDaily } from './service/read-daily.ts';
import { previewPlan, readPlan } from './service/read-plan.ts';
import { changePlan, noteStep, startPlan } from './service/run-plan.ts';
import { readSupplements, saveSupplement } from './service/supplements.ts';
import { setTarget } from './service/set-target.ts';
import { personOfToken, startSession } from './service/sign-in.ts';

/** Leaves out the first argument, which every use case takes: what it stands on. */
type Bound<F> = F extends (deps: PooledDeps, ...rest: infer R) => infer A ? (...rest: R) => A : never;

function bind<F extends (deps: PooledDeps, ...rest: never[]) => unknown>(
	deps: PooledDeps,
	useCase: F
): Bound<F> {
	return ((...rest: never[]) => useCase(deps, ...rest)) as Bound<F>;
}

/** All that the routes may ask for, standing on one database and one clock. */
export function createServices(deps: PooledDeps) {
	return {
		clock: deps.clock,
		newId: deps.newId,
		personOfToken: bind(deps, personOfToken),
		startSession: bind(deps, startSession),
		openWater: bind(deps, openWater),
		firstWater: bind(deps, firstWater),
		readToday: bind(deps, readToday),
		readDangers: bind(deps, readDangers),
		readLines: bind(deps, readLines),
		saveSettings: bind(deps, saveSettings),
		saveProfile: bind(deps, saveProfile),
		takeProfile: bind(deps, takeProfile),
		readProfiles: bind(deps, readProfiles),
		settingsOf: (scope: SiteScope, waterId: string) => judgementSettings(deps.db, scope, waterId),
		judgeWater: bind(deps, judgeWater),
		readBoard: bind(deps, readBoard),
		readFindings: bind(deps, readFindings),
		readPanel: bind(deps, readPanel),
		readComparison: bind(deps, readComparison),
		siteCalendar: bind(deps, siteCalendar),
		feedCalendar: bind(deps, feedCalendar),
		changeFeed: bind(deps, changeFeed),
		readFeeds: bind(deps, readFeeds),
		sendSample: bind(deps, sendSample),
		readSent: bind(deps, readSent),
		collectAnswers: bind(deps, collectAnswers),
		saveReport: bind(deps, saveReport),
		readBench: bind(deps, readBench),
		readTrends: bind(deps, readTrends),
		readLog: bind(deps, readLog),
		readWholeLog: bind(deps, readWholeLog),
		readRecentEvents: bind(deps, readRecentEvents),
		logCsv,
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
		readDoubt: bind(deps, readDoubt),
		kitOfReading: bind(deps, kitOfReading),
		recordEvent: bind(deps, recordEvent),
		setTarget: bind(deps, setTarget),
		readAdjust: bind(deps, readAdjust),
		previewPlan: bind(deps, previewPlan),
		startPlan: bind(deps, startPlan),
		noteStep: bind(deps, noteStep),
		changePlan: bind(deps, changePlan),
		readPlan: bind(deps, readPlan),
		readSupplements: bind(deps, readSupplements),
		saveSupplement: bind(deps, saveSupplement),
		readLimits: bind(deps, readLimits),
		setLimit: bind(deps, setLimit),
		readBatches: bind(deps, readBatches),
		readDaily: bind(deps, readDaily),
		readChange: bind(deps, readChange),
		readShelf: bind(deps, readShelf),
		readShelfThing: bind(deps, readShelfThing),
		compareKits: bind(deps, compareKits),
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
