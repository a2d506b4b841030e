import type { ShelfHabits } from '$lib/contract/shelf-view';
import type { WaterLine } from '$lib/contract/today';
import { planRound, type Round, type RoundKit, type RoundTank } from '$lib/core/bench';
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

/** The kits of every site that is gone to, each site asked once, whichever of its waters is tested. */
async function kitsOf(
	keeper: Keeper,
	reach: readonly Reached[],
	habits: ShelfHabits
): Promise<readonly RoundKit[]> {
	const sites = reach.filter((r, i) => reach.findIndex((o) => o.scope.siteId === r.scope.siteId) === i);
	const all = await Promise.all(
		sites.map(async (reached) => {
			const { siteId, siteName: site } = reached.scope;
			const { kits } = await keeper.ask('benchSite', { reached, reach }, habits);
			return kits.map(({ id, name, lotCode, methodCode, testsLeft }) => ({
				...{ id, name, lotCode, methodCode, testsLeft },
				siteId,
				site
			}));
		})
	);
	return all.flat();
}

async function tankOf(
	keeper: Keeper,
	reach: readonly Reached[],
	reached: Reached,
	due: WaterLine['due']
): Promise<RoundTank> {
	const { offers } = await keeper.ask('bench', { reached, reach });
	const { water, scope } = reached;
	return {
		id: water.id,
		name: water.name,
		siteId: scope.siteId,
		due,
		methods: offers.map(({ method, lastUsedAt }) => ({
			...{ code: method.code, name: method.name, parameter: method.parameter },
			lastUsedAt
		}))
	};
}

/** What is told of several waters at once, each judged by itself. */
export function createSeveral(deps: PooledDeps, keeper: Keeper) {
	const peers = (open: OpenWater) => daysOf(deps, keeper, running(peersOf(open)));
	return {
		/** A line for each water that a person may see. */
		readLines: async (open: OpenWater) => linesOf(await peers(open)),
		readBoard: async (open: OpenWater) => boardOf(await peers(open)),
		/** All waters, the worst first, and a round of those that were chosen: what is tested, and by which kits. */
		planRound: async (
			open: OpenWater,
			chosen: readonly string[],
			habits: ShelfHabits
		): Promise<{ readonly lines: readonly WaterLine[]; readonly round: Round | null }> => {
			const reach = running(peersOf(open));
			const lines = linesOf(await daysOf(deps, keeper, reach));
			const stops = lines.flatMap((line) => {
				const reached = reach.find((r) => r.water.id === line.id);
				return reached && chosen.includes(line.id) ? [{ reached, due: line.due }] : [];
			});
			if (stops.length === 0) return { lines, round: null };
			const [tanks, kits] = await Promise.all([
				Promise.all(stops.map(({ reached, due }) => tankOf(keeper, reach, reached, due))),
				kitsOf(keeper, reach, habits)
			]);
			return { lines, round: planRound(tanks, kits) };
		},
		siteCalendar: ({ scope, reach }: OpenWater) => calendarOf(deps, keeper, scope, reach),
		/** By a private address; null where that was revoked, or never was. */
		feedCalendar: async (token: string) => {
			const holder = await holderOfFeed(deps, token);
			if (!holder) return null;
			const reach = await reachOf(deps.db, { id: holder.personId }, deps.clock.now());
			return calendarOf(deps, keeper, holder.scope, reach);
		}
	};
}
