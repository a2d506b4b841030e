import type { ParameterId } from '$lib/core/quantity';
import type { ReadingForm } from '$lib/core/reading';

export interface HelpTopic {
	readonly id: string;
	readonly title: string;
	readonly text: string;
	/** Results beside which it is offered. */
	readonly parameters?: readonly ParameterId[];
	/** Readings beside which it is offered. */
	readonly forms?: readonly ReadingForm[];
}

const TITRATED: readonly ReadingForm[] = ['syringe', 'drops', 'pair', 'difference'];
const REEF: readonly ParameterId[] = ['alkalinity', 'calcium', 'magnesium'];

/** Every explanation, written once; shown beside readings and results, and all together on one page. */
export const HELP: readonly HelpTopic[] = [
	{
		id: 'edge',
		title: 'Which edge of the plunger is read',
		text: 'The edge that faces the liquid, when loading and when reading. Read at eye level; the level of the liquid itself is not read.',
		forms: ['syringe', 'pair']
	},
	{
		id: 'left-used',
		title: 'Left or used',
		text: 'Some leaflets ask for what is left in the syringe, others for what was used. Both are shown at once, and what you entered is kept as you entered it.',
		forms: ['syringe', 'pair']
	},
	{
		id: 'air',
		title: 'The air under the plunger',
		text: 'It fills the dead volume of the tip. It is there at the start and at the end, so it cancels; only the way of the plunger counts. Pressing it out would be the error.',
		forms: ['syringe', 'pair']
	},
	{
		id: 'interval',
		title: 'What ± means',
		text: 'The interval in which the true value lies about 19 times out of 20. It is built from the marks of the scale, the last drop, the judging of the colour, the sample, the reagents and the kit. Digits finer than that are not shown.'
	},
	{
		id: 'half-drop',
		title: 'Why half a drop is taken off',
		text: 'The colour turned somewhere within the last drop. Counting it whole would read half a drop too high on average.',
		forms: TITRATED
	},
	{
		id: 'titration',
		title: 'What a titration measures',
		text: 'Reagent is added until all of what is measured has reacted with it; the volume that took is the measure. The colour only shows the moment.',
		forms: TITRATED
	},
	{
		id: 'indicator',
		title: 'Why the colour turns',
		text: 'With acid: the indicator changes once acid is in excess, near pH 4.5. With a complexing titrant: the indicator holds some of the ion itself and changes when the titrant has taken the last of it. Binding ions in complexes is not buffering.',
		forms: TITRATED
	},
	{
		id: 'stream',
		title: 'Why single drops at the end',
		text: 'A stream makes a place with too much titrant, which turns early while the rest of the vial is not there yet. Drop, swirl, look.',
		forms: TITRATED
	},
	{
		id: 'fades',
		title: 'When the end colour fades back',
		text: 'Slow reactions go on: carbon dioxide leaves the vial, or a precipitate gives ions back. The first turn is the end point; do not titrate on.',
		forms: TITRATED
	},
	{
		id: 'bottle',
		title: 'Why the bottle is held upright',
		text: 'Straight upside down every drop forms alike. A tilted bottle gives drops of another size, up to a tenth, and a drop counted is a volume measured.',
		forms: ['drops', 'difference']
	},
	{
		id: 'sample-size',
		title: 'Why a larger sample is finer',
		text: 'Every mark or drop is then worth less. With half a sample everything read counts twice, and so do its errors; it saves half the reagent.',
		forms: TITRATED
	},
	{
		id: 'daylight',
		title: 'Why white, and daylight',
		text: 'The eye judges a colour by what stands around it and by what light falls on it. A lamp or a coloured wall shifts the match by a step or more.',
		forms: ['step']
	},
	{
		id: 'blank',
		title: 'What the blank vial does',
		text: 'Tank water has a tint of its own. Untreated water behind the printed steps puts the same tint on both sides of the match.',
		forms: ['step', 'display']
	},
	{
		id: 'between-steps',
		title: 'Between two steps',
		text: 'The kit’s own spacing decides what lies half-way: in proportion where the steps grow in proportion, in distance where they grow evenly. The whole interval is kept and used.',
		forms: ['step']
	},
	{
		id: 'bounds',
		title: 'Below the lowest, above the highest',
		text: 'That is a bound, not a number: less than this, more than that. Thinning the sample with water free of the ion brings it back among the steps; everything is then multiplied by the dilution.',
		forms: ['step', 'display']
	},
	{
		id: 'shake-bottle',
		title: 'Why some bottles are shaken first',
		text: 'A suspension settles and a mixture separates: from a settled bottle the first drops are too weak and the last too strong. Shake, then drop at once.',
		forms: ['step', 'drops']
	},
	{
		id: 'gravity',
		title: 'Specific gravity is not salinity',
		text: 'Specific gravity compares the weight of the water with pure water, each at a stated temperature; salinity is what is dissolved in it. One follows from the other only with both temperatures. Evaporation takes water and leaves the salt: salinity rises.',
		parameters: ['salinity'],
		forms: ['line']
	},
	{
		id: 'alkalinity-names',
		title: 'Alkalinity, carbonate hardness, KH',
		text: 'Names for nearly the same thing: how much acid the water takes up before its pH falls. In the sea most of it is bicarbonate and carbonate, some is borate. It is the water’s buffer.',
		parameters: ['alkalinity']
	},
	{
		id: 'skeleton',
		title: 'What corals build with',
		text: 'Skeletons are calcium carbonate: calcium and carbonate are taken up together, 7.15 mg/L of calcium with each degree of alkalinity.',
		parameters: ['alkalinity', 'calcium']
	},
	{
		id: 'linked',
		title: 'Calcium, alkalinity and magnesium are linked',
		text: 'Sea water holds more calcium and carbonate than would stay dissolved; magnesium hinders their crystals. With little magnesium the other two are hard to keep up.',
		parameters: REEF
	},
	{
		id: 'precipitate',
		title: 'Why one can fall when the other is raised',
		text: 'Calcium and carbonate precipitate together where both are high, warm, or pH is high. Adding much of one may lower the other: raise slowly, and watch both.',
		parameters: ['alkalinity', 'calcium']
	},
	{
		id: 'moves-fastest',
		title: 'Alkalinity moves faster than calcium',
		text: 'A day’s growth takes perhaps a tenth of the alkalinity and a hundredth of the calcium. With time for one test only, it is alkalinity.',
		parameters: ['alkalinity', 'calcium']
	},
	{
		id: 'magnesium-slow',
		title: 'Magnesium moves slowly',
		text: 'Life uses little of it, so that it changes with water changes rather than with growth. It is a large part of a salt mix, and the first that a thrifty mix saves on.',
		parameters: ['magnesium']
	},
	{
		id: 'thin-mix',
		title: 'A thin salt mix',
		text: 'Each change with a mix that is low in magnesium brings the tank nearer to that mix. Test the mixing barrel, and correct it there.',
		parameters: ['magnesium']
	},
	{
		id: 'calcium-sea',
		title: 'Calcium in the sea',
		text: 'Among the most abundant ions of sea water: about 420 mg/L at S = 35, in constant proportion to salinity. If salinity is low, calcium is low with it: put salinity right first.',
		parameters: ['calcium']
	},
	{
		id: 'calcium-ways',
		title: 'Ways to add calcium',
		text: 'Water changes, a two-part supplement, saturated limewater, or a reactor that dissolves carbonate. The last three bring alkalinity along in the right proportion.',
		parameters: ['calcium']
	},
	{
		id: 'calcium-other',
		title: 'Other causes than growth',
		text: 'Precipitation on heaters and pumps, a changed salt, evaporation or a drift in salinity move calcium too. If alkalinity did not fall with it, growth is not the reason.',
		parameters: ['calcium']
	},
	{
		id: 'nitrogen',
		title: 'The nitrogen cycle',
		text: 'Waste becomes ammonia; one kind of bacteria turns it into nitrite, another nitrite into nitrate. Both kinds need weeks to grow to the load that feeds them.',
		parameters: ['ammonia', 'nitrite', 'nitrate']
	},
	{
		id: 'uses-buffer',
		title: 'The cycle uses buffer',
		text: 'Each 10 mg/L of nitrate formed from waste takes about 0.45 dKH. Without water changes alkalinity runs down, and pH after it.',
		parameters: ['alkalinity', 'nitrate']
	},
	{
		id: 'old-tank',
		title: 'A neglected old tank',
		text: 'Its buffer is spent, its pH low, and ammonia stands as harmless ammonium. A sudden large change raises pH and turns it into the poisonous form. Bring carbonate up slowly, bind ammonia first, then change water in small steps.',
		parameters: ['alkalinity', 'ammonia', 'ph']
	},
	{
		id: 'ammonia',
		title: 'Why ammonia kills',
		text: 'Un-ionised ammonia passes through gills and burns tissue. Its share rises about tenfold from pH 7.2 to 8.2, and with warmth: the same total is far worse at high pH.',
		parameters: ['ammonia']
	},
	{
		id: 'nitrite',
		title: 'What nitrite tells',
		text: 'The second kind of bacteria is behind the load. In fresh water it is poisonous; in sea water chloride protects fish, but it says that the tank is not ready.',
		parameters: ['nitrite']
	},
	{
		id: 'nitrate',
		title: 'What nitrate is',
		text: 'The end of the cycle, a sign of what was fed, and food for plants. Over the long run much of it harms; stony corals brown, and very high levels irritate and kill.',
		parameters: ['nitrate']
	},
	{
		id: 'nitrate-zero',
		title: 'Zero is not the aim',
		text: 'With nitrate at zero for long, nuisance growth that needs none takes over, and corals starve. A little is right.',
		parameters: ['nitrate']
	},
	{
		id: 'nitrate-source',
		title: 'Where nitrate comes from',
		text: 'Feeding sets the pace; uncured rock and dead animals add to it. In the ocean it is scarce at the surface and rises with depth.',
		parameters: ['nitrate']
	},
	{
		id: 'nitrite-nitrate',
		title: 'Nitrite reads as nitrate',
		text: 'Most nitrate tests turn nitrate into nitrite first, so that nitrite in the water counts along. While a tank cycles, a fall of “nitrate” may be a fall of nitrite.',
		parameters: ['nitrate', 'nitrite']
	},
	{
		id: 'phosphate',
		title: 'What phosphate does',
		text: 'Food for algae; in a growing skeleton it slows the growth. It binds to rock and comes back for months. Kits find inorganic phosphate; total phosphate includes what is bound in matter, and the two do not compare.',
		parameters: ['phosphate']
	},
	{
		id: 'media',
		title: 'What phosphate media hide',
		text: 'They take phosphate, and algae starve for it: nitrate may climb with nothing to be seen. Test nitrate while they run.',
		parameters: ['phosphate', 'nitrate']
	},
	{
		id: 'ph-day',
		title: 'pH swings through the day',
		text: 'Light takes carbon dioxide out, the night gives it back: two or three tenths between morning and evening are usual. One reading is one moment. Corals calcify somewhat faster at higher pH.',
		parameters: ['ph']
	},
	{
		id: 'kh-ph',
		title: 'KH holds pH',
		text: 'The buffer takes up acid before pH falls. Where it is low, in soft water, pH can be lowered easily, and can also fall by itself.',
		parameters: ['ph', 'alkalinity']
	},
	{
		id: 'gh',
		title: 'GH and KH are two things',
		text: 'General hardness is calcium and magnesium; KH is bicarbonate and carbonate. A salt may bring one, the other, or both.',
		parameters: ['hardness', 'alkalinity']
	},
	{
		id: 'shrimp',
		title: 'Soft water, and shells',
		text: 'Shrimps need calcium and carbonate to moult, even where their water is soft. Very little of both is as wrong as too much.',
		parameters: ['hardness']
	},
	{
		id: 'ro',
		title: 'Purified water',
		text: 'Reverse osmosis presses water through a membrane that keeps the salts back. Blended with tap water it gives any hardness between the two.',
		parameters: ['hardness']
	},
	{
		id: 'change-buffer',
		title: 'What a water change brings back',
		text: 'Buffer and minerals from the new water, in proportion to the share that is changed.',
		parameters: ['alkalinity']
	},
	{
		id: 'potassium',
		title: 'Potassium and the minor elements',
		text: 'Believed to serve colour and skeleton, hard to test well at home. Look at the width of the interval before you act; a laboratory sees more.',
		parameters: ['potassium']
	},
	{
		id: 'groups',
		title: 'Four groups of tests',
		text: 'Cycling: ammonia, nitrite. Major: alkalinity, calcium, magnesium, salinity. Nutrients: nitrate, phosphate. Minor: potassium and beyond. Each has its own pace.'
	},
	{
		id: 'ocean-range',
		title: 'Why ocean figures are ranges',
		text: 'Rain, rivers, ice and evaporation change salinity from place to place, and depth changes nutrients. One bottle is not the sea.',
		parameters: ['salinity']
	},
	{
		id: 'standard',
		title: 'What a check solution is for',
		text: 'Water of known content, tested like a sample, shows whether reagents and hand are right. Without it two kits that differ cannot be told apart.'
	},
	{
		id: 'keep-water',
		title: 'One keeps water',
		text: 'Animals do well in steady water. Values are best at the start and drift; one’s own good values of a healthy tank are what to return to.'
	},
	{
		id: 'expected',
		title: 'What is expected, and surprising',
		text: 'From all readings, with the doses and water changes between them, it is estimated what the water holds now. A reading further from that than three standard deviations is called surprising: a usual slip is asked about where one explains it, and until a second test both stay, that the reading is wrong and that the water changed.'
	},
	{
		id: 'salinity-first',
		title: 'Salinity first',
		text: 'Major ions keep their proportions to each other in sea water. With less salt there is less of each, so a low salinity makes calcium, magnesium and potassium read low together. Salinity is put right first; what then is still low is corrected.'
	},
	{
		id: 'medium-hides',
		title: 'What a phosphate medium hides',
		text: 'Algae need nitrate and phosphate. With phosphate taken out they do not grow, and so they do not show that nitrate has piled up, or has run out. While a medium runs, nutrients are tested weekly.',
		parameters: ['nitrate', 'phosphate']
	},
	{
		id: 'nitrite-in-nitrate',
		title: 'Nitrite in a nitrate test',
		text: 'Most nitrate kits turn nitrate into nitrite and colour that. Nitrite that is there already counts as well, at 1.35 times its amount or more. In a cycling tank nitrate readings are only trusted once nitrite is clear.',
		parameters: ['nitrate']
	},
	{
		id: 'ph-swing',
		title: 'pH over the day',
		text: 'By day plants and corals take up carbon dioxide and pH rises; at night all breathe and it falls, often by 0.2 to 0.4. A single reading says little: read at dawn and in the evening, or let a monitor watch.',
		parameters: ['ph']
	},
	{
		id: 'fresh-mix',
		title: 'Nutrients in a fresh mix',
		text: 'New salt water should show neither nitrate nor phosphate. Where it does, they came with the source water, or from the barrel.'
	},
	{
		id: 'nutrients-zero',
		title: 'Why nutrients are not kept at zero',
		text: 'Corals, and the life that feeds them, need some nitrate and phosphate. Low is fine, none for long is not. A reading of none means: less than the kit can see.',
		parameters: ['nitrate', 'phosphate']
	},
	{
		id: 'husbandry-first',
		title: 'The cause before the remedy',
		text: 'A value outside its band has a cause: feeding, too many animals, a missed change, a pump. A remedy for the number alone has to be repeated for ever.'
	},
	{
		id: 'buffer',
		title: 'The buffer, and pH',
		text: 'Alkalinity holds pH up. As long as it stands, pH and the bacteria that clear ammonia are probably fine. Where it is gone, pH falls and they stop; then ammonia first, carbonate slowly, small changes.',
		parameters: ['alkalinity']
	},
	{
		id: 'cycle',
		title: 'The cycle of a new tank',
		text: 'One kind of bacteria turns ammonia into nitrite, another nitrite into nitrate. First ammonia peaks and falls, then nitrite. It is done when both have been clear for several days in a row, not at the first zero. Then nitrate is lowered by a change, and the first animals come, few at a time.',
		parameters: ['ammonia', 'nitrite']
	},
	{
		id: 'grades',
		title: 'What the words of a verdict mean',
		text: 'Inside or outside: the whole 95 % interval is. Probably: the chance is 70 % or more. At the edge: the readings cannot tell. Far outside: by more than half the band’s width. Ammonia, pH, salinity and temperature (and nitrite in fresh water) are acted on from a chance of 30 % on, the others from 95 %.'
	},
	{
		id: 'when-next',
		title: 'When the next test is worth making',
		text: 'Between tests it becomes less certain where a value is. The next test is proposed for the day on which the chance of being outside its band has grown by what you accept; for dear and slow tests a little later, for cheap and quick ones sooner; never later than the longest usual pause. Who likes a fixed day keeps it.'
	},
	{
		id: 'two-methods',
		title: 'Two methods that differ',
		text: 'Read both on one sample, at one time, by one person. Repeat both before either is blamed. If they stay apart, a standard tells which is off; if it does not, a laboratory does. Fewer than eight pairs are too few to tell anything about their spread.'
	},
	{
		id: 'dangers',
		title: 'Dangers',
		text: 'Titration acid and alkaline buffers burn eyes and skin: goggles, and rinse with water for 15 minutes. Keep reagents from children and pets. Unplug before hands go into the water. The label, the safety data sheet and local rules come first; for an accident, the poison line or a doctor. Sick animals belong to a professional.'
	}
];

/** The topics that stand beside a reading or a result, the particular ones first. */
export function helpFor(parameter: ParameterId, form: ReadingForm | null): readonly HelpTopic[] {
	const byForm = form === null ? [] : HELP.filter((t) => t.forms?.includes(form) && !t.parameters);
	const byParameter = HELP.filter((t) => t.parameters?.includes(parameter));
	return [...byParameter, ...byForm];
}

/** Topics in which every word of a search stands, in any order and any case. */
export function searchHelp(query: string): readonly HelpTopic[] {
	const words = query.toLowerCase().split(/\s+/).filter(Boolean);
	return HELP.filter(({ title, text }) => {
		const all = `${title} ${text}`.toLowerCase();
		return words.every((w) => all.includes(w));
	});
}
