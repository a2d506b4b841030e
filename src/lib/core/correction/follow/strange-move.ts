import { CONVENTIONS } from '../../caution/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { Known } from '../water-state.ts';

/** What is used and given back within bounds, so that a move beyond them asks what failed. */
const USUAL = {
	alkalinity: { use: CONVENTIONS.useAlkalinity.value, rise: CONVENTIONS.riseAlkalinity.value },
	calcium: { use: CONVENTIONS.useCalcium.value, rise: CONVENTIONS.riseCalcium.value },
	magnesium: { use: CONVENTIONS.useMagnesium.value, rise: CONVENTIONS.riseMagnesium.value },
	potassium: { use: CONVENTIONS.usePotassium.value, rise: CONVENTIONS.risePotassium.value }
} as const satisfies Partial<Record<ParameterId, { use: number; rise: number }>>;
type Watched = keyof typeof USUAL;
export const WATCHED_MOVES = Object.keys(USUAL) as readonly Watched[];

/** A move of a level that asks what failed, before anything is added or set. */
export interface StrangeMove {
	readonly parameter: Watched;
	readonly kind:
		/** It falls as it would if the pump of the daily dose stood, or its bottle were empty. */
		| 'stopped-pump'
		/** It falls faster than any tank uses. */
		| 'falls-too-fast'
		/** It rises by more than is dosed: something else is added. */
		| 'rises-too-fast';
	/** Net change a day, canonical unit. */
	readonly perDay: Known;
	/** What the daily dose brings, canonical unit a day. */
	readonly dosed: number;
}

/** Whether a change is more than chance: beyond so many of its standard uncertainties. */
export const isSeen = ({ value, u }: Pick<Known, 'value' | 'u'>) =>
	Math.abs(value) > CONVENTIONS.actZ.value * u;

/**
 * Whether a level moves as no tank makes it move by itself.
 *
 * @param netPerDay net change as things are believed to run, canonical unit a day
 * @param dosedPerDay what the daily doses bring, as they are believed to run, 0 or more
 */
export function strangeMove(
	parameter: ParameterId,
	netPerDay: Known,
	dosedPerDay: number
): StrangeMove | null {
	if (!(parameter in USUAL) || !isSeen(netPerDay)) return null;
	const watched = parameter as Watched;
	const { use, rise } = USUAL[watched];
	const { value, u } = netPerDay;
	const found = (kind: StrangeMove['kind']): StrangeMove => ({
		parameter: watched,
		kind,
		perDay: netPerDay,
		dosed: dosedPerDay
	});
	// Even at its nearest to zero that is plausible.
	const least = Math.abs(value) - u;
	if (value > 0) return least - dosedPerDay > rise ? found('rises-too-fast') : null;
	if (least > use) return found('falls-too-fast');
	return dosedPerDay > 0 && -value >= CONVENTIONS.pumpShare.value * dosedPerDay
		? found('stopped-pump')
		: null;
}
