/** What stands on the shelf: how long it will do, what it costs, whether it is to be checked. */
export { usePerTest, type Amount, type AmountUnit, type UseHabits } from './reagent-use.ts';
export { USUAL_LEVELS } from './usual-levels.ts';
export { stockOf, type Stock, type StockEntry } from './stock.ts';
export {
	costPerTest,
	goodUntil,
	paceOf,
	supplyOf,
	testsLeft,
	type Supply,
	type TestsLeft
} from './supply.ts';
export { checkDue, type CheckDue, type CheckHistory, type TrustSchool } from './check-due.ts';
export { meritsOf, type KitMerits } from './compare-kits.ts';
export {
	READING_WAYS,
	readingWayOf,
	whatToGet,
	type KindOfKit,
	type ReadingWay,
	type ToGet,
	type Wanted
} from './what-to-buy.ts';
export { shoppingList, type KitOnShelf, type ToBuy } from './shopping.ts';
export {
	checkFor,
	itemStateOf,
	type AcceptedCheck,
	type DatedNote,
	type ItemNote,
	type ItemState
} from './item-state.ts';
