import type { BottleState, ShelfHabits, ShelfThing } from '$lib/contract/shelf-view';
import { parametersOf, portionsOf, type Method, type Portion } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import {
	checkDue,
	costPerTest,
	goodUntil,
	itemStateOf,
	paceOf,
	stockOf,
	supplyOf,
	testsLeft,
	usePerTest,
	type StockEntry
} from '$lib/core/shelf';
import type { Instant } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import {
	checksOf,
	itemUses,
	notesOf,
	shelfItems,
	type ItemUse,
	type ShelfItem
} from '../../repository/shelf.ts';
import type { Deps } from '../deps.ts';

type Levels = Readonly<Partial<Record<ParameterId, number>>>;

function bottlesOf(
	item: ShelfItem,
	uses: readonly ItemUse[],
	counts: ReturnType<typeof itemStateOf>,
	habits: ShelfHabits,
	levels: Levels
): readonly BottleState[] {
	const { method } = item;
	const perTestOf = (of: Method, portion: Portion) =>
		usePerTest(of, portion, { putsBack: habits.unused === 'put-back', levels });
	// A shelf of many tests: what one takes depends on the method and the portion alone.
	const known = new Map<string, ReturnType<typeof perTestOf>>();
	const taken = ({ method: of, portion }: ItemUse) => {
		const key = `${of.code}/${of.version}/${portion}`;
		let found = known.get(key);
		if (!found) known.set(key, (found = perTestOf(of, portion)));
		return found;
	};
	const perTest = method ? perTestOf(method, 'full') : [];
	return item.details.bottles.map(({ reagent, unit, full }) => {
		const entries: StockEntry[] = [
			...uses.flatMap((use) =>
				taken(use)
					.filter((a) => a.reagent === reagent && a.unit === unit)
					.map(({ amount }) => ({ kind: 'used' as const, at: use.at, amount }))
			),
			...counts.counts
				.filter((c) => c.reagent === reagent)
				.map(({ at, amount }) => ({ kind: 'counted' as const, at, amount }))
		];
		const one = perTest.find((a) => a.reagent === reagent && a.unit === unit)?.amount ?? 0;
		return {
			reagent,
			unit,
			full,
			...stockOf(full, entries),
			perTest: one,
			dropper: counts.droppers[reagent] ?? null
		};
	});
}

/** What was done with a thing. */
interface ItemHistory {
	readonly uses: readonly ItemUse[];
	readonly notes: ShelfRecords['notes'];
	readonly checks: ShelfRecords['checks'];
}

/** How its keeper uses things, and what there is to check them by. */
interface ShelfContext {
	readonly habits: ShelfHabits;
	readonly levels: Levels;
	readonly provable: ReadonlySet<ParameterId>;
	readonly now: Instant;
}

function thingOf(
	item: ShelfItem,
	{ uses, notes, checks }: ItemHistory,
	{ habits, levels, provable, now }: ShelfContext
): ShelfThing {
	const state = itemStateOf(notes.map((n) => n.what));
	const { method, details } = item;
	const bottles = bottlesOf(item, uses, state, habits, levels);
	const byBottle = bottles.map(({ reagent, left, perTest }) => ({ reagent, left, perTest }));
	const pack = details.tests ?? method?.pack.tests ?? null;
	const left =
		testsLeft(byBottle) ??
		(item.kind === 'kit' && pack !== null
			? { tests: Math.max(0, pack - uses.length), endsFirst: null }
			: null);
	const until = goodUntil(item.expiresAt, state.openedAt, method?.pack.openedMonths ?? null);
	const perDay = paceOf(
		uses.map((u) => u.at),
		state.openedAt,
		now
	);
	const costOf = (portion: Portion) => {
		if (!method || !portionsOf(method).includes(portion)) return null;
		const perTest = usePerTest(method, portion, { putsBack: habits.unused === 'put-back', levels });
		const whole = details.bottles.map(({ reagent, unit, full }) => ({
			reagent,
			left: full,
			perTest: perTest.find((a) => a.reagent === reagent && a.unit === unit)?.amount ?? 0
		}));
		return costPerTest(item.price, whole, portion === 'full' ? pack : null);
	};
	const lastOf = (parameter: ParameterId) => checks.find((c) => c.finding.parameter === parameter) ?? null;
	const toProve = (method ? parametersOf(method) : []).filter((p) => provable.has(p));
	// A kit of two titrations is checked when both are.
	const checkedEach = toProve.map((p) => lastOf(p)?.checkedAt ?? null);
	const checkedAt = checkedEach.reduce<Instant | null>(
		(oldest, at) => (oldest === null || at === null ? null : at < oldest ? at : oldest),
		checkedEach[0] ?? null
	);
	const cost = { full: costOf('full'), half: costOf('half') };
	return {
		...item,
		openedAt: state.openedAt,
		retiredAt: state.retiredAt,
		bottles,
		tested: uses.length,
		supply: supplyOf(left, perDay, until, now),
		cost,
		due:
			item.kind === 'standard' || !method || state.retiredAt !== null
				? null
				: checkDue(
						{
							openedAt: item.kind === 'kit' ? state.openedAt : (item.boughtAt ?? item.receivedAt),
							checkedAt,
							doubtedAt: state.doubtedAt,
							goodUntil: until
						},
						// Without a standard that holds it, nothing can be proved now and then.
						toProve.length > 0 ? habits.trust : 'habit',
						now
					),
		checked: (method ? parametersOf(method) : []).flatMap((parameter) => {
			const check = lastOf(parameter);
			if (!check) return [];
			const accepted = state.accepted[parameter]?.checkId;
			return [
				{
					parameter,
					at: check.checkedAt,
					state: check.finding.state,
					correctedBy: checks.find((c) => c.id === accepted)?.finding.correction ?? null
				}
			];
		})
	};
}

/** What is kept of everything on a shelf, read once for all that asks about it. */
export interface ShelfRecords {
	readonly items: readonly ShelfItem[];
	readonly notes: readonly Awaited<ReturnType<typeof notesOf>>[number][];
	readonly checks: readonly Awaited<ReturnType<typeof checksOf>>[number][];
	readonly uses: readonly ItemUse[];
}

export async function shelfRecords({ db }: Deps, scope: SiteScope): Promise<ShelfRecords> {
	const items = await shelfItems(db, scope);
	const ids = items.map((i) => i.id);
	const [notes, checks, uses] = await Promise.all([
		notesOf(db, scope, ids),
		checksOf(db, scope, ids),
		itemUses(db, scope, null)
	]);
	return { items, notes, checks, uses };
}

function byItem<T extends { readonly itemId: string }>(all: readonly T[]): ReadonlyMap<string, readonly T[]> {
	const found = new Map<string, T[]>();
	for (const one of all) {
		const known = found.get(one.itemId);
		if (known) known.push(one);
		else found.set(one.itemId, [one]);
	}
	return found;
}

/** Everything on the shelf, as it stands after all that was noted of it and tested with it. */
export function thingsOf(
	{ items, notes, checks, uses }: ShelfRecords,
	now: Instant,
	habits: ShelfHabits,
	levels: Levels = {}
): readonly ShelfThing[] {
	const provable = new Set(
		items.flatMap((i) => (i.kind === 'standard' ? i.details.contents.map((c) => c.parameter) : []))
	);
	const [usesOf, notesBy, checksBy] = [byItem(uses), byItem(notes), byItem(checks)];
	return items.map((item) =>
		thingOf(
			item,
			{
				uses: usesOf.get(item.id) ?? [],
				notes: notesBy.get(item.id) ?? [],
				checks: checksBy.get(item.id) ?? []
			},
			{ habits, levels, provable, now }
		)
	);
}

/** The same, read for whoever needs nothing else of it. */
export async function shelfThings(
	deps: Deps,
	scope: SiteScope,
	habits: ShelfHabits,
	levels: Levels = {}
): Promise<readonly ShelfThing[]> {
	return thingsOf(await shelfRecords(deps, scope), deps.clock.now(), habits, levels);
}
