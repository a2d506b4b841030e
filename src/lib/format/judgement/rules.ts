import type { Facts, Finding, RuleId, RuleStrength } from '$lib/core/judgement';
import { fixed, percent, plain } from '../number.ts';

export const STRENGTH_NAMES: Readonly<Record<RuleStrength, string>> = {
	strong: 'chemistry, or long experience',
	moderate: 'usual experience',
	hint: 'a hint'
};

interface RuleWords {
	readonly title: string;
	/** What it says of this water, with its numbers. */
	readonly says: (facts: Facts) => string;
	readonly reason: string;
}

const chance = (x: number | undefined) => percent(x ?? 0);
const two = (x: number | undefined) => plain(Number((x ?? 0).toPrecision(2)));

const bySalinity = (ion: 'calcium' | 'magnesium' | 'potassium', side: 'below' | 'above'): RuleWords => {
	const low = side === 'below';
	return {
		title: `${ion.charAt(0).toUpperCase()}${ion.slice(1)} reads ${low ? 'low' : 'high'} because salinity is`,
		says: (f) =>
			`The chance that ${ion} is ${side} its band is ${chance(f[`${ion}.${side}`])}, that salinity is ${chance(f[`salinity.${side}`])}; brought to S = 35, ${ion} is where it is wanted. Put salinity right, then test again: do not ${low ? `dose ${ion}` : 'change water for it'}.`,
		reason:
			'The major ions keep their proportions: with a tenth less salt there is a tenth less of each. Correcting one ion first would leave too much of it once salinity is right.'
	};
};

/** What each rule says; one place for all of its words. */
export const RULE_WORDS: Readonly<Record<RuleId, RuleWords>> = {
	'calcium-below-by-salinity': bySalinity('calcium', 'below'),
	'calcium-above-by-salinity': bySalinity('calcium', 'above'),
	'magnesium-below-by-salinity': bySalinity('magnesium', 'below'),
	'magnesium-above-by-salinity': bySalinity('magnesium', 'above'),
	'potassium-below-by-salinity': bySalinity('potassium', 'below'),
	'potassium-above-by-salinity': bySalinity('potassium', 'above'),
	'magnesium-before-the-pair': {
		title: 'Magnesium comes before calcium and alkalinity',
		says: (f) =>
			`Brought to S = 35, magnesium is ${fixed(f['magnesium.s35'] ?? 0, 0)} mg/L. Raise it first; calcium and alkalinity are hard to hold until then.`,
		reason:
			'Magnesium hinders the crystals of calcium carbonate. Where there is too little of it, what is dosed of the other two falls out.'
	},
	'medium-hides-nitrate': {
		title: 'Nitrate is tested while a phosphate medium runs',
		says: (f) =>
			`Nitrate was read ${fixed(f['nitrate.days-since'] ?? 0, 0)} days ago and a phosphate medium runs. Test it: no algae is no proof.`,
		reason:
			'With phosphate taken out, algae do not grow, and so they no longer show that nitrate has risen, or has gone.'
	},
	'medium-and-no-nitrate': {
		title: 'No nitrate, while a phosphate medium runs',
		says: (f) =>
			`Nitrate was not found ${fixed(f['nitrate.zeros'] ?? 2, 0)} times in a row. The medium hides the usual signs; corals starve before algae tell.`,
		reason:
			'Corals need both nutrients. Where one is held near nothing by a medium, the other can run out unseen.'
	},
	'ammonia-at-high-ph': {
		title: 'Ammonia matters more at this pH',
		says: (f) =>
			`Up to ${two(f['ammonia.most'])} mg/L of ammonia at a pH of up to ${fixed(f['ph.upper'] ?? 8.2, 1)}. Keep pH from rising while it is there.`,
		reason:
			'Only the un-ionised form harms, and its share doubles with every 0.3 of pH: at 8.4 it is more than twice what it is at 8.0.'
	},
	'ammonia-ph-unknown': {
		title: 'Ammonia was found, and pH is not known',
		says: (f) =>
			`Up to ${two(f['ammonia.most'])} mg/L of ammonia. Without a pH of the last two weeks the worst that is plausible is assumed. Read pH now.`,
		reason: 'How much of it harms depends on pH more than on anything else.'
	},
	'alkalinity-without-calcium': {
		title: 'Alkalinity falls without calcium',
		says: (f) =>
			`The two part by ${fixed(f['departure.z'] ?? 3, 1)} standard deviations from what skeletons take up.`,
		reason:
			'Skeletons take 7.15 mg/L of calcium with every degree of alkalinity. Alkalinity alone is used up by nitrification, by acids, and by a dose that is weaker than its label says.'
	},
	'nitrate-fell-beside-nitrite': {
		title: 'Nitrate fell without a water change, while there was nitrite',
		says: (f) =>
			`Between two readings it fell by more than chance (z = ${fixed(f['nitrate.fall.z'] ?? 2, 1)}), no water was changed, and there was at least ${two(f['nitrite.during-fall'])} mg/L of nitrite. That fall is not to be believed.`,
		reason:
			'A nitrate kit turns nitrate into nitrite and colours that. Nitrite that is there already is counted as well, 1.35 times or more: when it goes, or when the colour is too strong to match, the nitrate reading falls although nothing was taken out.'
	},
	'ph-by-day-only': {
		title: 'pH was read by day only',
		says: () =>
			'All readings of the last two weeks were taken while the lights were on. The low of the night is not known.',
		reason:
			'By day algae and corals take up carbon dioxide and pH rises; at night it falls, often by 0.2 to 0.4. One hour says little of the day.'
	},
	'thin-in-magnesium': {
		title: 'This batch is thin in magnesium',
		says: (f) =>
			`It holds ${percent(f['mix.magnesium.share'] ?? 1)} of what natural sea water of the same salinity holds. Put it right in the barrel, or use another salt; where magnesium was saved, look at the rest as well.`,
		reason:
			'Magnesium is dear in a salt mix and slow to be used in a tank: every change with a thin batch draws it down.'
	},
	'nutrients-in-fresh-mix': {
		title: 'Fresh salt water holds nitrate',
		says: (f) =>
			`At least ${two(f['mix.nitrate.least'])} mg/L in a batch that was never used. Test the water it was mixed with before the next change.`,
		reason: 'A salt mix should show none: it came with the water, or from the barrel.'
	},
	'phosphate-in-fresh-mix': {
		title: 'Fresh salt water holds phosphate',
		says: (f) =>
			`At least ${two(f['mix.phosphate.least'])} mg/L in a batch that was never used. Test the water it was mixed with.`,
		reason: 'A salt mix should show none: it came with the water, or from the barrel.'
	},
	'nitrate-at-zero': {
		title: 'Nitrate stands at zero',
		says: (f) =>
			`It was not found ${fixed(f['nitrate.zeros'] ?? 2, 0)} times in a row. Feed a little more, or export less; test again within two weeks.`,
		reason:
			'Corals and the life around them need some. At none for long they turn pale, and other growth takes the place.'
	},
	'phosphate-at-zero': {
		title: 'Phosphate stands at zero',
		says: (f) =>
			`It was not found ${fixed(f['phosphate.zeros'] ?? 2, 0)} times in a row. Take media out or feed a little more before anything else is corrected.`,
		reason: 'Without any phosphate corals cannot use the nitrate either.'
	},
	'nitrate-high-ask-why': {
		title: 'High nitrate: first ask why',
		says: (f) =>
			`The chance that it is above its band is ${chance(f['nitrate.above'])}. Feeding, number of animals, missed changes and dirty filters come before any remedy.`,
		reason: 'What brings it in goes on bringing it in; a remedy for the number alone is never done.'
	},
	'salt-builds-up': {
		title: 'Salinity has read on the high side several times in a row',
		says: (f) =>
			`${fixed(f['salinity.run.high'] ?? 4, 0)} readings in a row lie above where it is wanted. No one of them says so; all together do. Check the top-up, and the instrument on a standard.`,
		reason:
			'Evaporation takes water and leaves the salt, and doses leave salt behind. A drift shows as a row on one side long before a single reading is outside.'
	},
	'salt-runs-down': {
		title: 'Salinity has read on the low side several times in a row',
		says: (f) =>
			`${fixed(f['salinity.run.low'] ?? 4, 0)} readings in a row lie below where it is wanted. Skimming, too much top-up or thin new water draw it down; check the instrument on a standard.`,
		reason: 'A drift shows as a row on one side long before a single reading is outside.'
	},
	'buffer-runs-out': {
		title: 'The buffer runs out',
		says: (f) =>
			`The chance that alkalinity is below its band is ${chance(f['alkalinity.below'])}. Test ammonia first, then raise carbonate slowly, with small changes; a fast rise of pH turns ammonia into poison.`,
		reason:
			'Without a buffer pH falls, and the bacteria that clear ammonia stop. In an old tank ammonia may lie there harmless until pH is raised.'
	},
	'buffer-so-ph': {
		title: 'The buffer stands, so pH is probably fine',
		says: () => 'Alkalinity is where it is wanted and pH was not read lately: it may be assumed.',
		reason:
			'pH follows from the buffer and from carbon dioxide. With the buffer in place only stale air in the room moves it far.'
	},
	'no-nitrite-so-no-ammonia': {
		title: 'No nitrite, so no ammonia is expected',
		says: () =>
			'Nitrite was not found, and ammonia was not read for a month. It can wait until something happens.',
		reason:
			'Where nitrite is cleared, so usually is ammonia, by bacteria that live side by side. It is still tested when an animal dies or medicine was given.'
	}
};

/** A finding in one sentence or two. */
export function findingSentence({ rule, facts }: Finding<RuleId>): string {
	return RULE_WORDS[rule].says(facts);
}
