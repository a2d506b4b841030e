import { colourDifference } from '../colour/index.ts';
import { timesOf, titrationsOf, type Method, type Portion } from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { boundsOf, derive } from '../reading/index.ts';
import { CALM_READER, readBy, type Levels } from '../tank/index.ts';

export interface KitMerits {
	/** Half the 95 % interval of one reading at the level, canonical unit; null where it is only a bound there. */
	readonly halfInterval: number | null;
	readonly handsS: number;
	readonly totalS: number;
	/** CIEDE2000 between the start and the end colour, or between the two steps that are hardest to tell. */
	readonly colours: number | null;
}

/** How far the colours of a method lie apart where they are hardest to tell; null where none is looked at. */
function colourContrast(method: Method): number | null {
	const pairs =
		method.kind === 'colour-card' || method.kind === 'comparator'
			? method.colourSteps.slice(1).map((s, i) => [method.colourSteps[i]!.colour.css, s.colour.css] as const)
			: titrationsOf(method).map(({ colours }) => [colours.start.css, colours.end.css] as const);
	return pairs.length === 0 ? null : Math.min(...pairs.map(([a, b]) => colourDifference(a, b)));
}

const SEED = 7;

/**
 * What a method is worth beside others for the same parameter: how sure, how long, how easily seen.
 *
 * @param levels what the water holds; the interval is that of a careful reading there
 */
export function meritsOf(method: Method, portion: Portion, levels: Readonly<Levels>): KitMerits {
	const { handsS, totalS } = timesOf(method.steps);
	return {
		halfInterval: halfIntervalAt(method, portion, levels),
		handsS,
		totalS,
		colours: colourContrast(method)
	};
}

function halfIntervalAt(method: Method, portion: Portion, levels: Readonly<Levels>): number | null {
	if (method.kind === 'stated') return null;
	const sharp = { ...CALM_READER, endPointSdDrops: 0, colourSdSteps: 0, kitBias: 0 };
	let reading;
	try {
		reading = readBy(seededRandom(SEED), method, levels, { ...sharp, portion });
	} catch {
		// A leaflet's table is not read backwards.
		return null;
	}
	const derived = derive(method, reading);
	const result = derived.ok ? derived.value.outcomes.at(0)?.result : undefined;
	if (!result) return null;
	const { lower, upper } = boundsOf(result);
	return upper === null || result.kind === 'bound' ? null : (upper - lower) / 2;
}
