import { normalDeviate, roundTo, type Random } from '../numeric/index.ts';
import { resultPerMl, type Portion, type SyringeMethod } from '../method/index.ts';
import type { SyringeReading } from '../reading/index.ts';

/** How a simulated person titrates: truths that no estimate may read. */
export interface SyringeReader {
	/** Standard deviation of seeing the end point, mL. */
	readonly endPointSdMl: number;
	/** Relative error of titrant and sample syringe together, the same on every day. */
	readonly kitBias: number;
}

/**
 * Titrates a water of known concentration: the colour turns within a drop, the plunger is set and read to the
 * nearest mark, and an empty syringe is filled again.
 *
 * @param truth canonical unit
 */
export function readBySyringe(
	random: Random,
	method: SyringeMethod,
	portion: Portion,
	truth: number,
	reader: SyringeReader
): SyringeReading {
	const { capacityMl, graduationMl, tipDropMl, readAs } = method.syringe;
	const exactMl = (truth / resultPerMl(method, portion)) * (1 + reader.kitBias);
	const seenMl = Math.max(tipDropMl, normalDeviate(random, exactMl, reader.endPointSdMl));
	// The first drop hangs anywhere between new and full; after that they come whole.
	const phase = random() * tipDropMl;
	const addedMl = Math.ceil((seenMl - phase) / tipDropMl) * tipDropMl + phase;
	const startErrorMl = (random() - 0.5) * graduationMl;

	const fills: SyringeReading['fills'][number][] = [];
	let restMl = addedMl + startErrorMl;
	while (restMl > capacityMl) {
		const empty = readAs === 'left' ? 0 : capacityMl;
		fills.push({ startMl: capacityMl, end: { lowerMl: empty, upperMl: empty } });
		restMl -= capacityMl;
	}
	const usedMl = Math.max(0, roundTo(restMl, graduationMl));
	const shownMl = readAs === 'left' ? roundTo(capacityMl - usedMl, graduationMl) : usedMl;
	fills.push({ startMl: capacityMl, end: { lowerMl: shownMl, upperMl: shownMl } });
	return { portion, readAs, fills, sure: true };
}
