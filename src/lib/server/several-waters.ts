import type { Keeper } from './reckon/keeper.ts';
import { reachOf, type Reached, type SiteScope } from './repository/scope.ts';
import { holderOfFeed, siteCalendar } from './service/calendar/calendar.ts';
import type { PooledDeps } from './service/deps.ts';
import type { WaterDay } from './service/judgement/read-day.ts';
import { boardOf, linesOf, type ReachedDay } from './service/judgement/read-overview.ts';
import type { OpenWater } from './service/water/open-water.ts';

/** Which water is asked about, among which. */
export function askingOf({ reach, water }: Pick<OpenWater, 'reach' | 'water'>) {
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

/** What is told of several waters at once, each judged by itself. */
export function createSeveral(deps: PooledDeps, keeper: Keeper) {
	const peers = (open: OpenWater) => daysOf(deps, keeper, running(peersOf(open)));
	return {
		/** A line for each water that a person may see. */
		readLines: async (open: OpenWater) => linesOf(await peers(open)),
		readBoard: async (open: OpenWater) => boardOf(await peers(open)),
		siteCalendar: ({ scope, reach }: OpenWater) => calendarOf(deps, keeper, scope, reach),
		/** By a private address; null where that was revoked, or never was. */
		feedCalendar: async (token: string) => {
			const holder = await holderOfFeed(deps, token);
			if (!holder) return null;
			const reach = await reachOf(deps.db, holder.personId, deps.clock.now());
			return calendarOf(deps, keeper, holder.scope, reach);
		}
	};
}
