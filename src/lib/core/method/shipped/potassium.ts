import type { TitrationMethod } from '../method.ts';
import {
	draw,
	drops,
	fill,
	filter,
	measureOut,
	protocol,
	rinse,
	scoops,
	stand,
	swirl,
	titrate
} from '../step-words.ts';
import {
	byDrops,
	bySyringe,
	colour,
	kit,
	reagent,
	SAMPLE_SYRINGE,
	syringe,
	TITRATION_SYRINGE,
	VIAL
} from './common.ts';

const STRAW = colour('straw', '#d8c77a');
const VIOLET = colour('violet', '#70489c');

/** Potassium is precipitated, filtered off, and the excess titrated back: more titrant is less potassium. */
export const K_FILTER: TitrationMethod = {
	...kit({
		code: 'k-filter',
		name: 'Potassium by filtrate',
		parameter: 'potassium',
		species: 'potassium, with ammonium',
		sampleMl: { full: 5 },
		equipment: [VIAL, 'second vial', 'filter cup', SAMPLE_SYRINGE, TITRATION_SYRINGE, 'scoop for the powder'],
		pack: { tests: 30, price: 29, closedMonths: 24, openedMonths: 9 },
		reagents: [
			reagent('A', 'buffer', 'caustic'),
			reagent('B', 'precipitant', 'harmful'),
			reagent('C', 'indicator powder', 'powder'),
			reagent('D', 'titrant', 'harmful')
		],
		steps: protocol([
			rinse({ say: 'Rinse both vials with purified water, the first then with the water to be tested' }),
			draw(),
			measureOut(0.2, { reagent: 'A', called: 'buffer A' }),
			measureOut(0.8, {
				reagent: 'B',
				called: 'precipitant B',
				why: 'Potassium falls out with it; what is left over is measured. An error here is an error in the result.'
			}),
			swirl(40, { detail: 'It turns milky.' }),
			stand(6 * 60, { why: 'The precipitate grows, so that the filter holds it back.' }),
			filter(9 * 60, 12 * 60),
			measureOut(3, {
				say: 'Draw 3.0 mL of the clear filtrate into the second vial',
				detail: 'Clear, not milky. Half of the 6.0 mL: the result counts on it.',
				why: 'Only this part is titrated, and it stands for all of it.'
			}),
			scoops(1, { reagent: 'C', called: 'powder C', expect: STRAW }),
			fill({ reagent: 'D', called: 'titrant D' }),
			titrate(49, {
				reagent: 'D',
				say: 'Add titrant D drop by drop until straw turns violet',
				detail: 'One drop, swirl, look. More titrant is less potassium. The first full violet counts.',
				expect: VIOLET
			})
		])
	}),
	kind: 'back-titration',
	titration: bySyringe(
		{
			parameter: 'potassium',
			titrant: 'titrant D',
			worth: {
				by: 'excess',
				titrantMolPerL: 0.02,
				excessMolPerL: 0.1,
				excessMl: 0.8,
				filtrate: { ofMl: 6, takenMl: 3 }
			},
			colours: { start: STRAW, passing: colour('greyish rose', '#a89090'), end: VIOLET }
		},
		syringe('used')
	)
};

const CREAM = colour('cream', '#eadfc0');
const ROSE = colour('rose', '#d77a9a');

/** The same without a filter, in drops: quicker and coarser; 15.6 mg/L to a drop. */
export const K_QUICK: TitrationMethod = {
	...kit({
		code: 'k-quick',
		name: 'Potassium by drops',
		parameter: 'potassium',
		species: 'potassium, with ammonium',
		sampleMl: { full: 2 },
		equipment: [VIAL, '2 mL sample syringe', '1 mL reagent syringe'],
		pack: { tests: 40, price: 19, closedMonths: 24, openedMonths: 12 },
		reagents: [
			reagent('A', 'precipitant', 'harmful'),
			reagent('B', 'indicator', 'flammable'),
			reagent('C', 'titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			measureOut(0.3, { reagent: 'A', called: 'precipitant A' }),
			swirl(40, { detail: 'It turns milky.' }),
			drops(2, { reagent: 'B', called: 'indicator B', expect: CREAM }),
			titrate(16, {
				reagent: 'C',
				say: 'Add titrant C drop by drop until cream turns rose',
				detail:
					'Count every drop, swirl after each. More drops are less potassium. The first full rose counts.',
				expect: ROSE
			})
		])
	}),
	kind: 'back-titration',
	titration: byDrops({
		parameter: 'potassium',
		titrant: 'titrant C',
		worth: { by: 'excess', titrantMolPerL: 0.02, excessMolPerL: 0.11, excessMl: 0.3, filtrate: null },
		colours: { start: CREAM, passing: colour('blush', '#e2b5b0'), end: ROSE }
	})
};
