import type { KitBeside, ShelfAnswer, ShelfHabits, ThingAnswer } from '$lib/contract/shelf-view';
import { aimOf } from '$lib/core/judgement';
import { parametersOf, portionsOf } from '$lib/core/method';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { bandAt } from '$lib/core/record';
import { itemStateOf, meritsOf, shoppingList, USUAL_LEVELS } from '$lib/core/shelf';
import { adoptedMethods } from '../../repository/method.ts';
import { photographsOf } from '../../repository/photograph.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { checksOf, notesOf, runsWithItem } from '../../repository/shelf.ts';
import { readingsOfRuns } from '../../repository/test.ts';
import { targetsOf, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { planMoves } from './item-moves.ts';
import { shelfThings } from './shelf-state.ts';

/** What the water in hand is meant to hold: what titrant will be needed for. */
async function levelsOf(
	deps: Deps,
	scope: SiteScope,
	water: Pick<Water, 'id'>
): Promise<Partial<Record<ParameterId, number>>> {
	const targets = await targetsOf(deps.db, scope, water.id);
	const now = deps.clock.now();
	return Object.fromEntries(
		PARAMETER_IDS.flatMap((parameter) => {
			const level = aimOf(bandAt(targets, parameter, now));
			return level === null ? [] : [[parameter, level]];
		})
	);
}

/** The whole shelf, and what is to be bought. */
export async function readShelf(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	habits: ShelfHabits
): Promise<ShelfAnswer> {
	const things = await shelfThings(deps, scope, habits, await levelsOf(deps, scope, water));
	const kits = things.filter((t) => t.kind === 'kit' && t.method);
	const names = new Map(kits.map((k) => [k.method!.code, k.method!.name]));
	const toBuy = shoppingList(
		kits.map((k) => ({
			id: k.id,
			methodCode: k.method!.code,
			opened: k.openedAt !== null,
			retired: k.retiredAt !== null,
			supply: k.supply
		})),
		deps.clock.now()
	);
	return { things, toBuy: toBuy.map((b) => ({ ...b, name: names.get(b.methodCode) ?? b.methodCode })) };
}

/** One thing with its history, its checks and what no longer fits; null where it is not on this shelf. */
export async function readShelfThing(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	habits: ShelfHabits,
	itemId: string
): Promise<ThingAnswer | null> {
	const things = await shelfThings(deps, scope, habits, await levelsOf(deps, scope, water));
	const thing = things.find((t) => t.id === itemId);
	if (!thing) return null;
	const runIds = await runsWithItem(deps.db, scope, itemId, 'standards');
	const [notes, checks, read, planned, photographs] = await Promise.all([
		notesOf(deps.db, scope, [itemId]),
		checksOf(deps.db, scope, [itemId]),
		readingsOfRuns(deps.db, scope, runIds),
		planMoves(deps.db, scope, itemId, null),
		photographsOf(deps.db, scope, { itemId })
	]);
	const tells = new Set<ParameterId>(thing.method ? parametersOf(thing.method) : []);
	const inForce = new Set(
		Object.values(itemStateOf(notes.map((n) => n.what)).accepted).map((check) => check.checkId)
	);
	const { recipe } = thing.details;
	const stock = recipe?.by === 'diluted' ? things.find((t) => t.id === recipe.stockId) : null;
	return {
		thing,
		stockName: stock?.name ?? null,
		notes: notes.map(({ id, what, note, by }) => ({ id, what, note, by })).reverse(),
		checks: checks.map(({ id, finding, checkedAt, runIds: ids }) => ({
			id,
			finding,
			at: checkedAt,
			runIds: ids,
			accepted: inForce.has(id)
		})),
		standardsRead: read
			.map(({ runId, standardId, water: standard, at, results }) => ({
				runId,
				standardId: standardId!,
				standard,
				at,
				results
			}))
			.sort((a, b) => b.at - a.at),
		standards: things.filter(
			(t) =>
				t.kind === 'standard' &&
				t.retiredAt === null &&
				t.details.contents.some((c) => tells.has(c.parameter))
		),
		pending: planned.flatMap((p) => p.moves),
		photographs
	};
}

/** Methods for one parameter side by side. */
export async function compareKits(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	habits: ShelfHabits,
	parameter: ParameterId
): Promise<readonly KitBeside[]> {
	const levels = await levelsOf(deps, scope, water);
	const things = await shelfThings(deps, scope, habits, levels);
	const methods = await adoptedMethods(deps.db, scope);
	const full = { ...USUAL_LEVELS, ...levels };
	return methods
		.filter(({ method }) => method.kind !== 'stated' && parametersOf(method).includes(parameter))
		.map(({ method }) => {
			const lots = things.filter((t) => t.method?.code === method.code && t.retiredAt === null);
			return {
				method,
				merits: meritsOf(method, 'full', full),
				halfMerits: portionsOf(method).includes('half') ? meritsOf(method, 'half', full) : null,
				cost: lots.findLast((l) => l.cost.full !== null)?.cost.full ?? null,
				lots: lots.length
			};
		});
}
