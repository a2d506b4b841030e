import { addDays, type Instant } from '../time/index.ts';
import type { Supply } from './supply.ts';

/** Long enough for an order to come. */
const ORDER_AHEAD_DAYS = 28;

export interface KitOnShelf {
	readonly id: string;
	/** Kits of one code stand in for each other, whatever their version. */
	readonly methodCode: string;
	readonly opened: boolean;
	readonly retired: boolean;
	readonly supply: Supply;
}

export interface ToBuy {
	readonly methodCode: string;
	/** When the last of it ends; null where there is none that is any good. */
	readonly at: Instant | null;
	readonly why: 'used-up' | 'date' | 'none-left';
	/** Tests a day, so that the size of the pack can be chosen. */
	readonly perDay: number;
}

/**
 * What to buy: of every kit that is tested with, whatever ends within four weeks and has no other on the shelf to
 * follow it. The soonest first.
 */
export function shoppingList(kits: readonly KitOnShelf[], now: Instant): readonly ToBuy[] {
	const byMethod = new Map<string, KitOnShelf[]>();
	for (const kit of kits) byMethod.set(kit.methodCode, [...(byMethod.get(kit.methodCode) ?? []), kit]);
	const list: ToBuy[] = [];
	for (const [methodCode, all] of byMethod) {
		const perDay = Math.max(...all.map((k) => k.supply.perDay));
		// What was retired on purpose and not replaced is not wanted any more.
		if (!(perDay > 0) || all.every((k) => k.retired)) continue;
		const good = all.filter(
			(k) =>
				!k.retired && k.supply.testsLeft?.tests !== 0 && !(k.supply.goodUntil && k.supply.goodUntil <= now)
		);
		if (good.length === 0) {
			list.push({ methodCode, at: null, why: 'none-left', perDay });
			continue;
		}
		// One is used after the other; each may end by its own date first.
		let at: Instant | null = now;
		let why: 'used-up' | 'date' = 'used-up';
		for (const { supply } of [...good].sort(
			(a, b) => (a.supply.goodUntil ?? Infinity) - (b.supply.goodUntil ?? Infinity)
		)) {
			if (supply.testsLeft === null) {
				at = supply.goodUntil !== null && supply.goodUntil > at ? supply.goodUntil : null;
				why = 'date';
				if (at === null) break;
				continue;
			}
			const usedUp: Instant = addDays(at, supply.testsLeft.tests / perDay);
			const dated = supply.goodUntil !== null && supply.goodUntil < usedUp;
			at = dated && supply.goodUntil !== null ? (supply.goodUntil > at ? supply.goodUntil : at) : usedUp;
			why = dated ? 'date' : 'used-up';
		}
		if (at !== null && at <= addDays(now, ORDER_AHEAD_DAYS)) list.push({ methodCode, at, why, perDay });
	}
	return list.sort((a, b) => (a.at ?? 0) - (b.at ?? 0));
}
