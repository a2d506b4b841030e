/**
 * What is known of a water at one time, as numbers by name. A fact that nobody knows is left out, and no rule that asks
 * for it speaks. Chances are 0 to 1, yes and no are 1 and 0, concentrations are canonical.
 */
export type FactName =
	/** Chance of lying below or above the band, by the last reading. */
	| `${'calcium' | 'magnesium' | 'potassium' | 'salinity' | 'nitrate' | 'alkalinity' | 'ph'}.${'below' | 'above'}`
	/** The same for a major ion brought to S = 35. */
	| `${'calcium' | 'magnesium' | 'potassium'}.s35.${'below' | 'above'}`
	| 'magnesium.s35'
	| 'salinity'
	| 'phosphate-medium.runs'
	| 'nitrate.days-since'
	| 'nitrate.zeros'
	| 'phosphate.zeros'
	| 'ammonia.most'
	| 'nitrite.most'
	| 'nitrite.clear'
	| 'ammonia.days-since'
	| 'ph.upper'
	| 'ph.read-lately'
	| 'ph.read-in-the-dark'
	| 'lights.known'
	| 'departure.z'
	/** Fall of nitrate between two readings a few days apart, in standard deviations, with no change between. */
	| 'nitrate.fall.z'
	| 'nitrite.during-fall'
	/** Of a fresh mix: magnesium over that of natural sea water of the same salinity, and how surely it is less. */
	| 'mix.magnesium.share'
	| 'mix.magnesium.z'
	| 'mix.nitrate.least'
	| 'mix.phosphate.least'
	| 'salinity.run.high'
	| 'salinity.run.low'
	| 'fresh'
	| 'cycling'
	| 'animals';

export type Facts = Readonly<Partial<Record<FactName, number>>>;
