import { PARAMETER_IDS, type ParameterId } from '../quantity/index.ts';
import type { TestResult } from '../reading/index.ts';
import type { Band } from './band.ts';
import { isOutside, judgeResult } from './verdict.ts';

/** What a source brings is heated, and takes on the air's carbon dioxide: as it flows they say nothing of the tank. */
const NOT_OF_A_SOURCE: ReadonlySet<ParameterId> = new Set<ParameterId>(['temperature', 'ph']);
/** From here on a band is of salt water, which no source gives (practical salinity). */
const SALT_WATER_S = 5;

export interface WantedBand extends Band {
	readonly parameter: ParameterId;
}

export interface SourceFit {
	/** Inside their bands, or probably so. */
	readonly fits: readonly ParameterId[];
	/** Outside, or probably so, with what was read. */
	readonly misses: readonly {
		readonly parameter: ParameterId;
		readonly side: 'low' | 'high';
		readonly result: TestResult;
		readonly band: WantedBand;
	}[];
	/** Read, and too uncertain to say. */
	readonly unsure: readonly ParameterId[];
	/** Wanted, and never read of this source. */
	readonly unread: readonly ParameterId[];
}

/**
 * Holds what was last read of a source (a tap, purified water) against the bands that animals want, each by itself.
 *
 * @param read the last result of each parameter, in canonical units
 * @returns null where the bands are of salt water, or say nothing that a source decides
 */
export function sourceFit(
	bands: readonly WantedBand[],
	read: ReadonlyMap<ParameterId, TestResult>
): SourceFit | null {
	if (bands.some((b) => b.parameter === 'salinity' && (b.low ?? 0) > SALT_WATER_S)) return null;
	const asked = PARAMETER_IDS.flatMap((parameter) => {
		const band = bands.find((b) => b.parameter === parameter && (b.low !== null || b.high !== null));
		return band && !NOT_OF_A_SOURCE.has(parameter) ? [band] : [];
	});
	if (asked.length === 0) return null;
	const fits: ParameterId[] = [];
	const misses: SourceFit['misses'][number][] = [];
	const unsure: ParameterId[] = [];
	const unread: ParameterId[] = [];
	for (const band of asked) {
		const { parameter } = band;
		const result = read.get(parameter);
		const verdict = result && judgeResult(result, band);
		if (!result) unread.push(parameter);
		else if (!verdict?.grade || verdict.grade === 'cannot-tell') unsure.push(parameter);
		else if (isOutside(verdict.grade) && verdict.side) {
			misses.push({ parameter, side: verdict.side, result, band });
		} else fits.push(parameter);
	}
	return { fits, misses, unsure, unread };
}
