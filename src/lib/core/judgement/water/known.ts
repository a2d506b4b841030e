import {
	GUESSED_VOLUME_U,
	KNOWN_VOLUME_U,
	knownFrom,
	type Known,
	type WaterNow
} from '../../correction/index.ts';
import { PARAMETER_IDS, type ParameterId } from '../../quantity/index.ts';
import { pointOf } from '../../reading/index.ts';
import { lastResultOf } from '../../record/index.ts';
import { addDays } from '../../time/index.ts';
import { isLine } from '../../trend/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import { isFresh } from '../index.ts';
import type { JudgedWater } from './judge.ts';

/** A single reading stands for the water for so long; pH and temperature change by the hour. */
const READING_DAYS = 45;
const MOMENT_DAYS = 3;
const OF_THE_MOMENT: ReadonlySet<ParameterId> = new Set<ParameterId>(['ph', 'temperature']);

/** What is known of a parameter now: its estimate, else its last reading while that stands for something. */
export function knownLevel(judged: JudgedWater, parameter: ParameterId): Known | null {
	const line = judged.estimates.of(parameter);
	const moment = OF_THE_MOMENT.has(parameter);
	if (!moment && isLine(parameter, line)) {
		const { value, uRandom, uCommon } = line.at(judged.now);
		return { value, u: Math.max(1e-9, standardUncertaintyOf({ uRandom, uCommon })) };
	}
	const since = addDays(judged.now, -(moment ? MOMENT_DAYS : READING_DAYS));
	const last = lastResultOf(judged.results, parameter, since);
	return last ? knownFrom(last.result) : null;
}

/** The net volume as it is known: as its keeper said, else as such a guess usually is. Null where there is none. */
export function volumeOf(
	{ netVolumeL, volumeUL }: JudgedWater['water'],
	volumeKnown: boolean
): (Known & { readonly assumed?: boolean }) | null {
	if (netVolumeL === null) return null;
	const usual = netVolumeL * (volumeKnown ? KNOWN_VOLUME_U : GUESSED_VOLUME_U);
	// Whoever found it by filling or by a dose knows it at least so well.
	const u = volumeUL === null ? usual : volumeKnown ? Math.min(volumeUL, usual) : volumeUL;
	const sure = volumeKnown || u <= netVolumeL * KNOWN_VOLUME_U;
	return { value: netVolumeL, u: Math.max(u, 1e-9), ...(sure ? {} : { assumed: true }) };
}

/**
 * The water as a correction takes it. What was not read is missing, and is named where it has to be assumed.
 *
 * @param volumeKnown the net volume was found by filling or by a dose, not guessed from the glass
 */
export function waterNow(judged: JudgedWater, volumeKnown: boolean): WaterNow | null {
	const { water } = judged;
	if (water.netVolumeL === null) return null;
	const levels: Partial<Record<ParameterId, Known>> = {};
	for (const parameter of PARAMETER_IDS) {
		const known = knownLevel(judged, parameter);
		if (known) levels[parameter] = known;
	}
	return {
		volumeL: volumeOf(water, volumeKnown)!,
		fresh: isFresh(water.profile),
		animals: water.hasAnimals,
		levels
	};
}

/** Random standard uncertainty of one reading with the kit that was used last. */
export function readingUOf(judged: JudgedWater, parameter: ParameterId): number | null {
	const last = judged.results.findLast((r) => r.result.parameter === parameter && pointOf(r.result) !== null);
	return last ? (pointOf(last.result)?.uRandom ?? null) : null;
}
