/** A limit, a pause or an assumption that no law of nature sets: taken on the safe side, with its reason beside it. */
export interface Convention {
	readonly kind: 'limit' | 'pause' | 'assumption';
	readonly value: number;
	readonly unit: string;
	/** What it holds. */
	readonly what: string;
	readonly why: string;
	/** Where it comes from; "husbandry" is what careful keepers do, without a measurement behind it. */
	readonly source: string;
}

const convention =
	(kind: Convention['kind']) =>
	(
		[value, unit]: readonly [number, string],
		what: string,
		why: string,
		source = 'husbandry'
	): Convention => ({
		kind,
		value,
		unit,
		what,
		why,
		source
	});
const limit = convention('limit');
const pause = convention('pause');
const assumption = convention('assumption');

/**
 * Every convention by which the product advises, in one place; docs/safety.md is written from it. What a keeper may set
 * (the change of a day) stands in `DAILY_LIMITS`.
 */
export const CONVENTIONS = {
	mostPhTotal: limit(
		[8.5, 'pH, total scale'],
		'pH of the mixed water at once after a portion, salt or fresh',
		'above it gills give off ammonia badly, and calcium carbonate falls out',
		'husbandry; surface sea water lies between 8.0 and 8.3'
	),
	mostOmega: limit(
		[7, 'saturation of aragonite'],
		'saturation of the mixed water at once after a portion',
		'beyond it calcium carbonate may fall out by itself and take the alkalinity with it',
		'husbandry; onset depends on magnesium and nuclei'
	),
	mostPortions: limit([6, 'a day'], 'portions by hand', 'nobody keeps more up for days'),
	longDays: limit(
		[21, 'days'],
		'length from which a plan is called long',
		'what keeps the value down is then worth more'
	),
	magnesiumFirst: limit(
		[1100, 'mg/L at S = 35'],
		'magnesium below which calcium and alkalinity are not chased',
		'with so little of it calcium carbonate falls out as fast as it is added'
	),
	changeMends: limit(
		[3, 'values'],
		'that new water mends at once, from which a change comes before single doses',
		'each dose is one more chance to be wrong'
	),
	largestChange: limit(
		[0.5, 'of the water'],
		'changed at once after a cycle',
		'more takes away what the bacteria live on'
	),
	firstAnimalsNitrate: limit(
		[20, 'mg/L NO₃'],
		'that the first animals of a tank may meet',
		'animals from shops come from less'
	),
	actChance: limit(
		[0.95, 'chance'],
		'of being outside from which one acts',
		'one alarm in twenty may be false'
	),
	watchChance: limit(
		[0.3, 'chance'],
		'of being outside from which one watches, and acts on what harms within days',
		'a missed danger costs more than a needless test'
	),
	bacteriaAlkalinity: limit(
		[14, 'dKH'],
		'that bacteria bear without animals; from 2 on',
		'they stop without buffer'
	),
	mostDays: limit([90, 'days'], 'length of a plan', 'a longer one is no correction: something else is wrong'),
	useAlkalinity: limit(
		[2, 'dKH a day'],
		'use of alkalinity that a tank may have',
		'crowded stony corals in strong light use about this; a faster fall is a fault or a misreading'
	),
	useCalcium: limit(
		[15, 'mg/L a day'],
		'use of calcium that a tank may have',
		'skeletons take 7.15 mg/L for each dKH',
		'stoichiometry of calcium carbonate'
	),
	useMagnesium: limit(
		[5, 'mg/L a day'],
		'use of magnesium that a tank may have',
		'skeletons take a tenth of what calcium loses at most'
	),
	usePotassium: limit([5, 'mg/L a day'], 'use of potassium that a tank may have', 'growth takes far less'),
	riseAlkalinity: limit(
		[0.3, 'dKH a day'],
		'rise of alkalinity beyond what is dosed',
		'rock and sand give back less; a faster rise is a pump, a valve, a wrong bottle or a misreading'
	),
	riseCalcium: limit([5, 'mg/L a day'], 'rise of calcium beyond what is dosed', 'as for alkalinity'),
	riseMagnesium: limit([5, 'mg/L a day'], 'rise of magnesium beyond what is dosed', 'as for alkalinity'),
	risePotassium: limit([3, 'mg/L a day'], 'rise of potassium beyond what is dosed', 'as for alkalinity'),
	pumpShare: limit(
		[0.5, 'of what the daily dose brings'],
		'fall from which a stopped pump is asked for',
		'a pump that stands shows as a fall of just what it brings'
	),
	actZ: limit(
		[2, 'standard uncertainties'],
		'size from which a drift is acted on',
		'a smaller one may be chance, and the next would undo it'
	),
	doseShare: limit(
		[0.01, 'of the net volume a day'],
		'liquid that a plan adds, other than limewater',
		'no supplement is that thin: the strength or the volume is wrong'
	),
	solidPerL: limit(
		[1, 'g a litre a day'],
		'solid that a plan adds',
		'no correction asks for that: the strength or the volume is wrong'
	),
	leastMl: limit([0.05, 'mL'], 'liquid that can be measured out', 'a drop'),
	leastG: limit([0.05, 'g'], 'solid that can be weighed out', 'a kitchen scale for grams shows tenths'),
	answerShare: limit(
		[0.6, 'of what was expected, or its inverse'],
		'answer to doses from which volume or strength is doubted',
		'both together are known to about a seventh'
	),
	retestDays: pause(
		[2, 'days'],
		'before the next test once a daily dose was changed',
		'a wrong step shows while it is still small'
	),
	freeAmmoniaWatch: limit(
		[0.02, 'mg/L NH₃'],
		'un-ionised ammonia from which animals are watched',
		'fish farms stay below it over days',
		'husbandry; chronic guidance values of fish farming'
	),
	freeAmmoniaAct: limit(
		[0.05, 'mg/L NH₃'],
		'un-ionised ammonia from which one acts at once',
		'gills are harmed within days',
		'husbandry; chronic guidance values of fish farming'
	),
	patienceDays: pause(
		[7, 'days'],
		'within which what rises by itself is left to',
		'nothing that is added is as safe as time'
	),
	clearDays: pause(
		[5, 'days'],
		'in a row that are clear before a cycle is done',
		'a card shows none for what it cannot see'
	),
	cycleGap: pause([2.6, 'days'], 'without a test that end a row of clear days', 'one missed day is none'),
	dyingDays: pause(
		[3, 'days'],
		'for which a death is asked about before anything else',
		'what killed one may kill the next'
	),
	cycleTraces: pause(
		[14, 'days'],
		'within which a second trace ends the row of clear days',
		'two slips of the eye so near each other are rare'
	),
	phSwing: assumption(
		[0.2, 'pH'],
		'what pH may rise by on the day on which it was read',
		'light takes carbon dioxide out; most tanks swing by 0.2 to 0.4 between night and evening'
	),
	saltPh: assumption(
		[8.15, 'pH, kit buffers'],
		'pH of salt water that was not read, for a dose; ± 0.15',
		'most reefs, morning and evening'
	),
	saltPhWorst: assumption(
		[8.6, 'pH, kit buffers'],
		'highest pH of salt water that was not read, for free ammonia',
		'late in the day, after a carbonate'
	),
	freshPhWorst: assumption(
		[8.5, 'pH'],
		'highest pH of fresh water that was not read',
		'hard tap water, or plants in strong light'
	),
	freshPhLeast: assumption(
		[6, 'pH'],
		'lowest pH of fresh water that was not read',
		'peat, or carbon dioxide'
	),
	saltAlkalinity: assumption(
		[6, 'dKH'],
		'alkalinity of salt water that was not read, for pH and saturation',
		'the less there is, the further pH goes'
	),
	freshAlkalinity: assumption(
		[0.6, 'dKH'],
		'alkalinity of fresh water that was not read, for pH',
		'soft water has next to no buffer'
	),
	weighedDose: assumption(
		[0.02, 'relative standard uncertainty'],
		'a salt that is weighed',
		'a kitchen scale'
	),
	mixedDose: assumption(
		[0.03, 'relative standard uncertainty'],
		'a solution mixed at home',
		'scale and measuring jug'
	),
	limewaterDose: assumption(
		[0.05, 'relative standard uncertainty'],
		'saturated limewater',
		'it takes up carbon dioxide while it stands'
	),
	saltFraction: assumption([0.93, 'by mass'], 'salt in a dry mix', 'the rest is moisture'),
	unseenDrift: assumption(
		[0.2, 'of what a day may change'],
		'drift of a parameter that has no line yet, one standard deviation',
		'what was never followed may move'
	),
	guessedVolume: assumption(
		[0.1, 'relative standard uncertainty'],
		'net volume guessed from the glass',
		'rock, sand and the fill line are guessed'
	),
	glassMeasure: assumption(
		[0.5, 'cm, standard uncertainty'],
		'a side of a tank by a tape measure',
		'the glass itself, and whether one measures inside or out'
	),
	sumpVolume: assumption(
		[0.15, 'relative standard uncertainty'],
		'what a sump holds while the pumps run',
		'its fill line moves with what runs back'
	),
	knownVolume: assumption(
		[0.04, 'relative standard uncertainty'],
		'net volume found by filling or by a dose',
		'a bucket is read to a few parts in a hundred'
	),
	labelStrength: assumption(
		[0.1, 'relative standard uncertainty'],
		'strength by a label',
		'labels round, and powders take up water'
	)
} as const satisfies Readonly<Record<string, Convention>>;
export type ConventionId = keyof typeof CONVENTIONS;

interface DailyLimit {
	/** Taken unless the keeper set another. */
	readonly cautious: number;
	/** No keeper may set more than this. */
	readonly most: number;
}

/** What may change in a day by hand. */
export const LIMITED = [
	'alkalinity',
	'calcium',
	'magnesium',
	'potassium',
	'nitrate',
	'phosphate',
	'salinity',
	'temperature',
	'hardness'
] as const;
export type Limited = (typeof LIMITED)[number];

/**
 * Largest net change of a water in a day, dose less consumption, canonical units (husbandry conventions for waters with
 * animals, not physical laws). A keeper makes it stricter at once, and laxer with a reason, never beyond the most.
 */
export const DAILY_LIMITS: Readonly<
	Record<Limited, { readonly up: DailyLimit; readonly down: DailyLimit; readonly why: string }>
> = {
	alkalinity: {
		up: { cautious: 0.5, most: 1 },
		down: { cautious: 0.5, most: 1 },
		why: 'stony corals lose tissue at faster changes'
	},
	calcium: {
		up: { cautious: 20, most: 50 },
		down: { cautious: 20, most: 50 },
		why: 'about five parts in a hundred; saturation follows'
	},
	magnesium: {
		up: { cautious: 50, most: 100 },
		down: { cautious: 50, most: 100 },
		why: 'about four parts in a hundred; shrimps and snails tire at faster changes'
	},
	potassium: {
		up: { cautious: 10, most: 20 },
		down: { cautious: 10, most: 20 },
		why: 'about three parts in a hundred'
	},
	nitrate: {
		up: { cautious: 2, most: 5 },
		down: { cautious: 2, most: 10 },
		why: 'algae and corals are set to what they have'
	},
	phosphate: {
		up: { cautious: 0.02, most: 0.05 },
		down: { cautious: 0.02, most: 0.05 },
		why: 'corals pale when it is stripped fast'
	},
	salinity: {
		up: { cautious: 0.5, most: 1 },
		down: { cautious: 1, most: 2 },
		why: 'cells have to follow; upwards they bear less'
	},
	temperature: {
		up: { cautious: 0.5, most: 1 },
		down: { cautious: 0.5, most: 1 },
		why: 'warm water holds less oxygen, and heat adds to every other strain'
	},
	hardness: {
		up: { cautious: 1, most: 2 },
		down: { cautious: 1, most: 2 },
		why: 'cells have to follow, as for salinity'
	}
};
