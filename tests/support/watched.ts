import { expect } from 'vitest';
import type { Database } from '../../src/lib/server/db/connect.ts';
import { receiptOf } from '../../src/lib/server/repository/receipt.ts';
import { revisionsOf } from '../../src/lib/server/repository/revision.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { watersOf } from '../../src/lib/server/repository/water.ts';
import type { Services } from '../../src/lib/server/services.ts';

type Raised = 'water' | 'site' | 'either' | 'water-at-most' | 'nothing';
type Rooms = { readonly [R in keyof Services]?: Readonly<Partial<Record<keyof Services[R], Raised>>> };

/** Every command that may change what is kept, by what it is known to raise. */
export const COMMANDS: Rooms = {
	bench: { saveSession: 'water-at-most' },
	correction: {
		changePlan: 'water',
		noteStep: 'water',
		saveSupplement: 'site',
		setLimit: 'water',
		startPlan: 'water'
	},
	judgement: { saveProfile: 'site', saveSettings: 'water', takeProfile: 'water' },
	laboratory: { saveReport: 'water', sendSample: 'nothing' },
	log: { keepPhotograph: 'site', recordEvent: 'water', takePhotographBack: 'site' },
	method: { deriveAgain: 'site', saveMethod: 'site' },
	people: {
		changeMember: 'site',
		endMember: 'site',
		revokePlace: 'nothing',
		takeInvitationBack: 'nothing'
	},
	practice: {
		decideReader: 'site',
		mentorPractice: 'nothing',
		savePractice: 'nothing',
		sharePractice: 'nothing'
	},
	reading: { correctReading: 'either', keepReading: 'site', saveTestRun: 'either' },
	shelf: {
		addToShelf: 'site',
		decideCheck: 'site',
		deriveItemAgain: 'site',
		finishCheck: 'site',
		noteItem: 'site'
	},
	visitor: { takeSheetBack: 'nothing' },
	water: {
		addWater: 'site',
		changeWater: 'site',
		changeZone: 'site',
		chooseKits: 'site',
		orderWaters: 'site',
		setTarget: 'water'
	}
};

type Command = (scope: SiteScope, command: { readonly id: string }, ...rest: unknown[]) => Promise<unknown>;

/**
 * The services, each command of which is seen to raise just the counters that it should: no file of tests can carry one
 * out that forgot to.
 */
export function watched(db: Database, services: Services): Services {
	const counters = async (scope: SiteScope) => {
		const waters = (await watersOf(db, scope)).map((w) => w.id);
		const of = await revisionsOf(db, [scope.siteId, ...waters]);
		return { site: of(scope.siteId), waters: waters.map(of) };
	};
	/** Beside a command that raises counters at the same time, one that must not raise any cannot be told from it. */
	let underWay = 0;
	let begun = 0;
	const watch =
		(name: string, raises: Raised, act: Command): Command =>
		async (scope, command, ...rest) => {
			const sentBefore = await receiptOf(db, scope, command.id).catch(() => null);
			const before = await counters(scope);
			const own = ++begun;
			const beside = underWay++;
			const outcome = (await act(scope, command, ...rest).finally(() => underWay--)) as {
				readonly ok: boolean;
			};
			const after = await counters(scope);
			const alone = beside === 0 && begun === own;
			const site = after.site > before.site;
			const water = after.waters.some((n, i) => n > before.waters[i]!);
			const raised = raises === 'nothing' ? null : raises;
			const isDone = outcome.ok && !sentBefore;
			const wanted = !isDone || !raised ? [false, false] : raised === 'site' ? [true, false] : [false, true];
			if (isDone && raised === 'either') expect([site, water], name).toContain(true);
			else if (isDone && raised === 'water-at-most') expect(alone && site, name).toBe(false);
			else if (alone || wanted.includes(true))
				expect([site, water], `${name} raises the counter of its site, of its water`).toEqual(wanted);
			return outcome;
		};
	const watchedRoom = (room: object, raises: Readonly<Record<string, Raised>>) =>
		Object.fromEntries(
			Object.entries(room as Record<string, Command>).map(([name, act]) => {
				const raised = raises[name];
				return [name, raised === undefined ? act : watch(name, raised, act)];
			})
		);
	const rooms = Object.entries(COMMANDS) as [keyof Services, Readonly<Record<string, Raised>>][];
	const watchedRooms = rooms.map(([room, raises]) => [room, watchedRoom(services[room], raises)] as const);
	return { ...services, ...Object.fromEntries(watchedRooms) };
}
