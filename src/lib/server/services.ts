import type { BenchAnswer } from '$lib/contract/bench';
import type { ShelfHabits } from '$lib/contract/shelf-view';
import { granted, type Permission } from '$lib/core/access';
import type { Result } from '$lib/core/result';
import { createKeeper } from './reckon/keeper.ts';
import { createMemory } from './reckon/memory.ts';
import { reckon, type Done, type Task } from './reckon/reckon.ts';
import type { AnswerOf, AskedOf, ReckoningName } from './reckon/reckonings.ts';
import { supplementsUsed } from './repository/event.ts';
import type { Person } from './repository/people.ts';
import { photographsOf } from './repository/photograph.ts';
import type { ScopeFor, SiteScope } from './repository/scope.ts';
import { readingById } from './repository/test.ts';
import { targetsOf } from './repository/water.ts';
import { personOfToken, startSession } from './service/account/sign-in.ts';
import { notePurified, readPurified } from './service/purified/purified.ts';
import { addGuest, keepGuest, readGuests } from './service/visitor/guests.ts';
import { stepsByHeart } from './service/reading/way-of-working.ts';
import { readSets, saveSet } from './service/bench/test-sets.ts';
import { readSessions, saveSession } from './service/bench/save-session.ts';
import { changeFeed, readFeeds } from './service/calendar/calendar.ts';
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
import { collectAnswers, readSent, saveReport, sendSample } from './service/laboratory/laboratory.ts';
import { keepPhotograph, readPhotograph, takePhotographBack } from './service/log/keep-photograph.ts';
import { logCsv } from './service/log/log-csv.ts';
import { readersOf, readLog, readRecentEvents } from './service/log/read-log.ts';
import { recordEvent } from './service/log/record-event.ts';
import { readMethod, readMethods } from './service/method/read-methods.ts';
import { saveMethod } from './service/method/save-method.ts';
import { personAtPlace, readersAt, scopeThen } from './service/people/at-place.ts';
import { changeMember, endMember } from './service/people/change-member.ts';
import { invite, takeInvitationBack } from './service/people/invite.ts';
import { readInvitation } from './service/people/join.ts';
import { addPlace, becomePlace, readPlaceLink, revokePlace } from './service/people/places.ts';
import { readPeople } from './service/people/read-people.ts';
import { correctReading } from './service/reading/correct-reading.ts';
import { deriveAgain, previewDerivation } from './service/moves/derive-again.ts';
import { keepReading } from './service/reading/keep-reading.ts';
import { kitOfReading } from './service/reading/run-kit.ts';
import { saveTestRun } from './service/reading/save-test-run.ts';
import { readBenchReader } from './service/practice/bench-reader.ts';
import { decideReader, previewReader } from './service/practice/decide-reader.ts';
import { readKnown } from './service/practice/read-known.ts';
import { readPractice } from './service/practice/read-practice.ts';
import { mentorPractice, savePractice, sharePractice } from './service/practice/save-practice.ts';
import { saidBeforeRun } from './service/practice/said-before.ts';
import { addToShelf } from './service/shelf/add-to-shelf.ts';
import { checkBox } from './service/shelf/check-box.ts';
import { decideCheck, previewDecision } from './service/shelf/decide-check.ts';
import { deriveItemAgain } from './service/shelf/derive-item.ts';
import { finishCheck } from './service/shelf/finish-check.ts';
import { noteItem } from './service/shelf/note-item.ts';
import { giveSheet, readSheet, readSheets, takeSheetBack } from './service/visitor/sheet.ts';
import { addWater, beginSite } from './service/water/add-water.ts';
import { changeWater, changeZone, orderWaters } from './service/water/change-water.ts';
import { chooseKits, readKits } from './service/water/choose-kits.ts';
import { leaveMadeUp, lookAtMadeUp, madeUpWater } from './service/water/made-up.ts';
import { firstWater, openWater, ownWater, type OpenWater } from './service/water/open-water.ts';
import { readWaters } from './service/water/read-waters.ts';
import { setTarget } from './service/water/set-target.ts';
import { askingOf, createSeveral } from './several-waters.ts';

type UseCase = (deps: PooledDeps, ...rest: never[]) => unknown;
type Command<P extends Permission> = (
	deps: PooledDeps,
	scope: ScopeFor<P>,
	...rest: never[]
) => Promise<unknown>;

/** Leaves out the first argument, which every use case takes: what it stands on. */
type Bound<F> = F extends (deps: PooledDeps, ...rest: infer R) => infer A ? (...rest: R) => A : never;

function bindAll<T extends Readonly<Record<string, UseCase>>>(
	deps: PooledDeps,
	useCases: T
): { readonly [K in keyof T]: Bound<T[K]> } {
	const bound = Object.entries(useCases).map(
		([name, useCase]) => [name, (...rest: never[]) => useCase(deps, ...rest)] as const
	);
	return Object.fromEntries(bound) as { readonly [K in keyof T]: Bound<T[K]> };
}

/** The same of use cases that ask for a permission: whoever lacks it is refused, with words. */
type Guarded<F> = F extends (deps: PooledDeps, scope: ScopeFor<Permission>, ...rest: infer R) => infer A
	? (scope: SiteScope, ...rest: R) => A | Promise<Result<never>>
	: never;

function guardAll<P extends Permission, T extends Readonly<Record<string, Command<P>>>>(
	deps: PooledDeps,
	what: P,
	useCases: T
): { readonly [K in keyof T]: Guarded<T[K]> } {
	const guarded = Object.entries(useCases).map(([name, useCase]) => {
		const carryOut = async (scope: SiteScope, ...rest: never[]) => {
			const allowed = granted(scope, what);
			return allowed.ok ? useCase(deps, allowed.value, ...rest) : allowed;
		};
		return [name, carryOut] as const;
	});
	return Object.fromEntries(guarded) as never;
}

/** Reckons in this very thread: where there is no pool of them, in development and in tests. */
function reckonHere(deps: PooledDeps): (task: Task) => Promise<Done> {
	const report = deps.report ?? (() => undefined);
	// Programs that are worked on change under what they kept: nobody else takes it over.
	const memory = createMemory(deps.db, `here ${deps.newId()}`, report);
	return (task) => reckon(deps.db, task, { newId: deps.newId, report, memory });
}

/**
 * All that the routes may ask for, room by room as in `service/`, standing on one database and one clock.
 *
 * @param run reckons one thing away from this thread
 */
export function createServices(deps: PooledDeps, run: (task: Task) => Promise<Done> = reckonHere(deps)) {
	const { db } = deps;
	const keeper = createKeeper(deps.clock, run);
	const several = createSeveral(deps, keeper);
	return {
		clock: deps.clock,
		newId: deps.newId,
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
		account: bindAll(deps, { personOfToken, startSession }),
		bench: {
			...bindAll(deps, { readSessions, readSets }),
			...guardAll(deps, 'test', { saveSession, saveSet }),
			/** All that a test stands on; the open sessions, which change with every step, are read each time. */
			readBench: async (open: OpenWater, habits: ShelfHabits): Promise<BenchAnswer> => {
				const [ofWater, { practised, slips, ...ofSite }, sessions, sets, reader] = await Promise.all([
					keeper.ask('bench', askingOf(open)),
					keeper.ask('benchSite', askingOf(open), habits),
					readSessions(deps, open.scope),
					readSets(deps, open.scope),
					readBenchReader(deps, open.scope)
				]);
				const slipPriors = reader.slipPriors(slips);
				const { decisions, stepNotes } = reader;
				const offers = ofWater.offers.map((o) => ({ ...o, practised: practised.includes(o.method.code) }));
				return {
					...ofWater,
					...ofSite,
					offers,
					sessions,
					sets,
					slipPriors,
					readerDecisions: decisions,
					stepNotes
				};
			}
		},
		calendar: {
			...bindAll(deps, { readFeeds }),
			...guardAll(deps, 'share', { changeFeed }),
			siteCalendar: several.siteCalendar,
			feedCalendar: several.feedCalendar
		},
		correction: {
			...bindAll(deps, { readBatches, readLimits, readSupplements }),
			...guardAll(deps, 'decide', { changePlan, saveSupplement, setLimit, startPlan }),
			...guardAll(deps, 'carry-out', { noteStep })
		},
		judgement: {
			...bindAll(deps, { readProfiles }),
			...guardAll(deps, 'decide', { saveProfile, saveSettings, takeProfile }),
			settingsOf: (scope: SiteScope, waterId: string) => judgementSettings(db, scope, waterId),
			readLines: several.readLines,
			readBoard: several.readBoard
		},
		laboratory: {
			...bindAll(deps, { collectAnswers, readSent }),
			...guardAll(deps, 'record', { saveReport, sendSample })
		},
		log: {
			...bindAll(deps, { logCsv, readersOf, readLog, readPhotograph, readRecentEvents }),
			...guardAll(deps, 'record', { recordEvent }),
			...guardAll(deps, 'test', { keepPhotograph, takePhotographBack }),
			photographsOf: (scope: SiteScope, runId: string) => photographsOf(db, scope, { runId }),
			voiceNotesOf: (scope: SiteScope, runId: string) => photographsOf(db, scope, { runId }, 'sound'),
			supplementsUsed: (scope: SiteScope, waterId: string) => supplementsUsed(db, scope, waterId)
		},
		method: {
			...bindAll(deps, { previewDerivation, readMethod, readMethods }),
			...guardAll(deps, 'equip', { deriveAgain, saveMethod })
		},
		people: {
			...bindAll(deps, {
				becomePlace,
				personAtPlace,
				readersAt,
				readInvitation,
				readPeople,
				readPlaceLink,
				scopeThen
			}),
			...guardAll(deps, 'people', {
				addPlace,
				changeMember,
				endMember,
				invite,
				revokePlace,
				takeInvitationBack
			})
		},
		practice: {
			...bindAll(deps, { previewReader, readKnown, readPractice, saidBeforeRun }),
			...guardAll(deps, 'test', { decideReader, savePractice, sharePractice }),
			...guardAll(deps, 'decide', { mentorPractice })
		},
		purified: {
			...bindAll(deps, { readPurified }),
			...guardAll(deps, 'record', { notePurified })
		},
		reading: {
			...bindAll(deps, { kitOfReading, stepsByHeart }),
			...guardAll(deps, 'test', { correctReading, keepReading, saveTestRun }),
			readingById: (scope: SiteScope, id: string) => readingById(db, scope, id)
		},
		shelf: {
			...bindAll(deps, { previewDecision }),
			...guardAll(deps, 'test', { checkBox }),
			...guardAll(deps, 'equip', { addToShelf, decideCheck, deriveItemAgain, finishCheck, noteItem })
		},
		visitor: {
			...bindAll(deps, { readGuests, readSheet, readSheets }),
			...guardAll(deps, 'test', { addGuest }),
			...guardAll(deps, 'arrange', { keepGuest }),
			...guardAll(deps, 'share', { giveSheet, takeSheetBack }),
			planRound: several.planRound
		},
		water: {
			...bindAll(deps, {
				beginSite,
				firstWater,
				leaveMadeUp,
				lookAtMadeUp,
				madeUpWater,
				openWater,
				ownWater,
				readKits,
				readWaters
			}),
			...guardAll(deps, 'arrange', { addWater, changeWater, changeZone, orderWaters }),
			...guardAll(deps, 'decide', { setTarget }),
			...guardAll(deps, 'equip', { chooseKits }),
			targetsOf: (scope: SiteScope, waterId: string) => targetsOf(db, scope, waterId)
		}
	};
}

export type Services = ReturnType<typeof createServices>;
