import { expect } from 'vitest';
import type { Database } from '../../src/lib/server/db/connect.ts';
import { receiptOf } from '../../src/lib/server/repository/receipt.ts';
import { revisionsOf } from '../../src/lib/server/repository/revision.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { watersOf } from '../../src/lib/server/repository/water.ts';
import type { Services } from '../../src/lib/server/services.ts';

/** Every command that may change what is kept, by what it is known to raise. */
const RAISES: Readonly<Partial<Record<keyof Services, 'water' | 'site' | 'either' | 'water-at-most'>>> = {
	saveSession: 'water-at-most',
	saveTestRun: 'either',
	correctReading: 'either',
	keepReading: 'site',
	recordEvent: 'water',
	setTarget: 'water',
	setLimit: 'water',
	saveSettings: 'water',
	takeProfile: 'water',
	saveProfile: 'site',
	addWater: 'site',
	changeWater: 'site',
	orderWaters: 'site',
	changeZone: 'site',
	chooseKits: 'site',
	saveReport: 'water',
	startPlan: 'water',
	noteStep: 'water',
	changePlan: 'water',
	saveMethod: 'site',
	deriveAgain: 'site',
	saveSupplement: 'site',
	addToShelf: 'site',
	noteItem: 'site',
	finishCheck: 'site',
	decideCheck: 'site',
	deriveItemAgain: 'site',
	keepPhotograph: 'site',
	takePhotographBack: 'site'
};
/** What nothing that is kept stands on. */
const RAISE_NOTHING: ReadonlySet<keyof Services> = new Set(['sendSample']);

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
		(name: keyof Services, act: Command): Command =>
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
			const raised = RAISES[name];
			const isDone = outcome.ok && !sentBefore;
			const wanted = !isDone || !raised ? [false, false] : raised === 'site' ? [true, false] : [false, true];
			if (isDone && raised === 'either') expect([site, water], name).toContain(true);
			else if (isDone && raised === 'water-at-most') expect(alone && site, name).toBe(false);
			else if (alone || wanted.includes(true))
				expect([site, water], `${name} raises the counter of its site, of its water`).toEqual(wanted);
			return outcome;
		};
	return Object.fromEntries(
		Object.entries(services).map(([name, act]) => {
			const key = name as keyof Services;
			const isCommand = RAISES[key] !== undefined || RAISE_NOTHING.has(key);
			return [name, isCommand ? watch(key, act as unknown as Command) : act];
		})
	) as unknown as Services;
}
