import type { FactName } from './facts.ts';
import type { Condition, Rule } from './rule.ts';

/** As likely as not, and likely. */
const EVEN = 0.5;
const LIKELY = 0.7;
const known = (fact: FactName): Condition => ({ fact });
const likely = (fact: FactName): Condition => ({ fact, from: LIKELY });
const yes = (fact: FactName): Condition => ({ fact, from: 1 });

type Ion = 'calcium' | 'magnesium' | 'potassium';
/** It reads low (or high) only because there is less (or more) of all salts. */
const bySalinity = <I extends Ion, S extends 'below' | 'above'>(ion: I, side: S) =>
	({
		id: `${ion}-${side}-by-salinity`,
		strength: 'strong',
		readAbout: 'salinity-first',
		ofReadings: true,
		when: [
			likely(`${ion}.${side}`),
			{ fact: `salinity.${side}`, from: EVEN },
			{ fact: `${ion}.s35.${side}`, to: 0.3 }
		]
	}) as const satisfies Rule;

/** Every rule that joins parameters, as data. */
export const RULES = [
	bySalinity('calcium', 'below'),
	bySalinity('calcium', 'above'),
	bySalinity('magnesium', 'below'),
	bySalinity('magnesium', 'above'),
	bySalinity('potassium', 'below'),
	bySalinity('potassium', 'above'),
	{
		id: 'magnesium-before-the-pair',
		strength: 'strong',
		readAbout: 'linked',
		when: [
			{ fact: 'magnesium.s35', to: 1100 },
			{ fact: 'fresh', to: 0 }
		]
	},
	{
		id: 'medium-hides-nitrate',
		strength: 'moderate',
		readAbout: 'medium-hides',
		when: [yes('phosphate-medium.runs'), { fact: 'nitrate.days-since', from: 7 }]
	},
	{
		id: 'medium-and-no-nitrate',
		strength: 'moderate',
		readAbout: 'medium-hides',
		ofReadings: true,
		when: [yes('phosphate-medium.runs'), { fact: 'nitrate.zeros', from: 2 }]
	},
	{
		id: 'ammonia-at-high-ph',
		strength: 'strong',
		readAbout: 'ammonia',
		when: [
			{ fact: 'ammonia.most', from: 0.1 },
			{ fact: 'ph.upper', from: 8.2 }
		]
	},
	{
		id: 'ammonia-ph-unknown',
		strength: 'strong',
		readAbout: 'ammonia',
		when: [
			{ fact: 'ammonia.most', from: 0.1 },
			{ fact: 'ph.read-lately', to: 0 }
		]
	},
	{
		id: 'alkalinity-without-calcium',
		strength: 'moderate',
		readAbout: 'skeleton',
		when: [{ fact: 'departure.z', from: 3 }]
	},
	{
		id: 'nitrate-fell-beside-nitrite',
		strength: 'strong',
		readAbout: 'nitrite-in-nitrate',
		ofReadings: true,
		when: [
			{ fact: 'nitrate.fall.z', from: 2 },
			{ fact: 'nitrite.during-fall', from: 0.3 }
		]
	},
	{
		id: 'ph-by-day-only',
		strength: 'hint',
		readAbout: 'ph-swing',
		when: [yes('lights.known'), yes('ph.read-lately'), { fact: 'ph.read-in-the-dark', to: 0 }]
	},
	{
		id: 'thin-in-magnesium',
		strength: 'strong',
		readAbout: 'thin-mix',
		ofReadings: true,
		when: [
			{ fact: 'mix.magnesium.share', to: 0.95 },
			{ fact: 'mix.magnesium.z', to: -2 }
		]
	},
	{
		id: 'nutrients-in-fresh-mix',
		strength: 'strong',
		readAbout: 'fresh-mix',
		ofReadings: true,
		when: [{ fact: 'mix.nitrate.least', from: 0.5 }]
	},
	{
		id: 'phosphate-in-fresh-mix',
		strength: 'strong',
		readAbout: 'fresh-mix',
		ofReadings: true,
		when: [{ fact: 'mix.phosphate.least', from: 0.04 }]
	},
	{
		id: 'nitrate-at-zero',
		strength: 'moderate',
		readAbout: 'nutrients-zero',
		ofReadings: true,
		when: [{ fact: 'nitrate.zeros', from: 2 }, { fact: 'fresh', to: 0 }, yes('animals')],
		unless: [yes('phosphate-medium.runs'), yes('cycling')]
	},
	{
		id: 'phosphate-at-zero',
		strength: 'moderate',
		readAbout: 'nutrients-zero',
		when: [{ fact: 'phosphate.zeros', from: 2 }, { fact: 'fresh', to: 0 }, yes('animals')]
	},
	{
		id: 'nitrate-high-ask-why',
		strength: 'moderate',
		readAbout: 'husbandry-first',
		when: [likely('nitrate.above'), yes('animals')]
	},
	{
		id: 'salt-builds-up',
		strength: 'moderate',
		readAbout: 'salinity-first',
		ofReadings: true,
		when: [{ fact: 'salinity.run.high', from: 4 }]
	},
	{
		id: 'salt-runs-down',
		strength: 'moderate',
		readAbout: 'salinity-first',
		ofReadings: true,
		when: [{ fact: 'salinity.run.low', from: 4 }]
	},
	{
		id: 'buffer-runs-out',
		strength: 'strong',
		readAbout: 'buffer',
		ofReadings: true,
		when: [yes('fresh'), likely('alkalinity.below')]
	},
	{
		id: 'buffer-so-ph',
		strength: 'hint',
		readAbout: 'buffer',
		when: [{ fact: 'alkalinity.below', to: 0.3 }, { fact: 'ph.read-lately', to: 0 }, yes('animals')]
	},
	{
		id: 'no-nitrite-so-no-ammonia',
		strength: 'hint',
		readAbout: 'cycle',
		when: [yes('nitrite.clear'), { fact: 'ammonia.days-since', from: 30 }, known('animals')],
		unless: [yes('cycling')]
	}
] as const satisfies readonly Rule[];

export type RuleId = (typeof RULES)[number]['id'];

export const RULE_IDS: readonly RuleId[] = RULES.map((r) => r.id);
