import { CONVENTIONS } from '../../caution/index.ts';
import { bisect } from '../../numeric/index.ts';
import { levelOr, type WaterNow } from '../water-state.ts';
import { carbonateCourse, MOST_OMEGA, MOST_PH_TOTAL } from './chemistry-after.ts';
import { atItsHarshest, effectOf, type Supplement } from './supplement.ts';

export interface Portion {
	/** Largest amount at one time, g or mL; null where chemistry sets none. */
	readonly most: number | null;
	/** What sets it. */
	readonly by: 'ph' | 'saturation' | null;
}

/** The highest pH that what was read, or was not, leaves room for: one that was read in the morning is not the evening's. */
export function highestPh(water: WaterNow): number {
	const { value, u, assumed } = levelOr(water, 'ph');
	return value + (assumed ? u : Math.max(2 * u, CONVENTIONS.phSwing.value));
}

/**
 * The largest portion at one time, in salt water and fresh: the mixed water may not pass pH 8.5 (total scale) or a saturation of aragonite of 7,
 * at the highest pH that is plausible. Where it is added both are far higher: slowly, into strong flow.
 *
 * @param wanted amount a day: more is not looked for
 */
export function largestPortion(given: Supplement, water: WaterNow, wanted: number): Portion {
	const supplement = atItsHarshest(given);
	const effect = effectOf(supplement, 1, water.volumeL.value);
	const touches = effect.alkalinityDkh !== 0 || effect.ions.Ca !== undefined;
	const ph = highestPh(water);
	if (!touches || wanted <= 0) return { most: null, by: null };
	const after = (amount: number) => {
		const { atOnce } = carbonateCourse(water, ph, effectOf(supplement, amount, water.volumeL.value));
		return { ph: atOnce.phTotal / MOST_PH_TOTAL, saturation: atOnce.omegaAragonite / MOST_OMEGA };
	};
	const over = (amount: number) => {
		const { ph: byPh, saturation } = after(amount);
		return Math.max(byPh, saturation) - 1;
	};
	if (over(wanted) <= 0) return { most: null, by: null };
	const reason = (amount: number) => {
		const { ph: byPh, saturation } = after(amount);
		return byPh > saturation ? ('ph' as const) : ('saturation' as const);
	};
	if (over(0) >= 0) return { most: 0, by: reason(0) };
	const most = bisect(over, 0, wanted);
	return { most, by: reason(most) };
}
