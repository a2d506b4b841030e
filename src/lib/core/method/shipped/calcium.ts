import type { PairedMethod, TitrationMethod } from '../method.ts';
import { draw, drops, fill, protocol, rinse, scoops, shake, stand, swirl, titrate } from '../step-words.ts';
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

const AMBER = colour('amber', '#d68a1e');
const VIOLET = colour('violet', '#6a3fa0');

/** Calcium with a complexing titrant from a syringe; 1 mL is worth 534.4 mg/L, twice that with half the sample. */
export const CA_SYRINGE: TitrationMethod = {
	...kit({
		code: 'ca-syringe',
		version: 2,
		name: 'Calcium by syringe',
		parameter: 'calcium',
		species: 'calcium, with a trace of strontium',
		sampleMl: { full: 3, half: 1.5 },
		equipment: [VIAL, SAMPLE_SYRINGE, TITRATION_SYRINGE],
		pack: { tests: 50, price: 17, closedMonths: 30, openedMonths: 12 },
		reagents: [
			reagent('A', 'alkaline buffer, pH 12 to 13', 'caustic'),
			reagent('B', 'indicator', 'harmful'),
			reagent('C', 'complexing titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(6, {
				reagent: 'A',
				called: 'buffer A',
				detail: 'Bottle straight upside down, full drops only. Do not swirl yet.',
				why: 'At this pH magnesium falls out as hydroxide and is not titrated along with calcium.'
			}),
			stand(20, {
				say: 'Leave it for 20 seconds, unmixed',
				detail: 'Put the vial down. Do not swirl. It may turn cloudy; that is the magnesium.',
				why: 'Magnesium hydroxide forms in the drops first. Mixed at once it would drag calcium down with it.'
			}),
			drops(3, {
				reagent: 'B',
				called: 'indicator B',
				why: 'The indicator holds a little calcium and is amber with it; when the titrant has taken the last of it, it turns violet.'
			}),
			swirl(10, { detail: 'The whole vial is evenly amber.', expect: AMBER }),
			fill({ reagent: 'C', called: 'titrant C' }),
			titrate(54, {
				reagent: 'C',
				say: 'Add titrant drop by drop until amber turns violet',
				detail:
					'One drop, swirl, look. At brownish rose you are nearly there: single drops only. The first full violet counts.',
				why: 'The last step is slow: each drop needs its swirl before the colour can be trusted. The true end point lies somewhere in the last drop, so half a drop is taken off the result.',
				expect: VIOLET
			})
		])
	}),
	kind: 'syringe-titration',
	titration: bySyringe(
		{
			parameter: 'calcium',
			titrant: 'titrant C',
			worth: { by: 'titrant', molPerL: 0.04 },
			colours: { start: AMBER, passing: colour('brownish rose', '#b06a70'), end: VIOLET }
		},
		syringe('used')
	)
};

const ORANGE = colour('orange', '#e07a26');
const DEEP_VIOLET = colour('violet', '#5d3a92');

/** Calcium with drops of a complexing titrant; 1 drop is worth 10.0 mg/L. */
export const CA_DROPS: TitrationMethod = {
	...kit({
		code: 'ca-drops',
		name: 'Calcium by drops',
		parameter: 'calcium',
		species: 'calcium, with a trace of strontium',
		sampleMl: { full: 8 },
		equipment: [VIAL, SAMPLE_SYRINGE, 'scoop for the powder'],
		pack: { tests: 50, price: 13, closedMonths: 36, openedMonths: 18 },
		reagents: [
			reagent('A', 'indicator powder', 'powder', 'harmful'),
			reagent('B', 'alkaline buffer', 'caustic'),
			reagent('C', 'complexing titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			scoops(1, { reagent: 'A', called: 'powder A' }),
			shake(15),
			drops(9, { reagent: 'B', called: 'buffer B' }),
			stand(30, { expect: ORANGE }),
			titrate(43, {
				reagent: 'C',
				say: 'Add titrant C drop by drop until orange turns violet',
				detail: 'Count every drop, swirl after each. The first full violet counts.',
				expect: DEEP_VIOLET
			})
		])
	}),
	kind: 'drop-titration',
	titration: byDrops({
		parameter: 'calcium',
		titrant: 'titrant C',
		worth: { by: 'titrant', molPerL: 0.05 },
		colours: { start: ORANGE, passing: colour('old rose', '#b0606a'), end: DEEP_VIOLET }
	})
};

const ROSE = colour('rose', '#d8678f');
const PALE_YELLOW = colour('yellow', '#e3cf4a');
const MOSS = colour('green', '#5f9a3f');

/** Calcium, then magnesium, in one vial: 1 mL is worth 515.3 mg/L Ca, then 1562 mg/L Mg. */
export const CA_MG_PAIR: PairedMethod = {
	...kit({
		code: 'ca-mg-pair',
		name: 'Calcium and magnesium in one vial',
		parameter: 'calcium',
		species: 'calcium, then magnesium',
		sampleMl: { full: 3.5 },
		equipment: [
			VIAL,
			SAMPLE_SYRINGE,
			'1 mL titration syringe for C',
			'1 mL titration syringe for E',
			'scoop for the powder'
		],
		pack: { tests: 40, price: 24, closedMonths: 24, openedMonths: 12 },
		reagents: [
			reagent('A', 'alkaline buffer', 'caustic'),
			reagent('B', 'indicator powder', 'powder', 'harmful'),
			reagent('C', 'calcium titrant', 'harmful'),
			reagent('D', 'acid that sets magnesium free again', 'acid'),
			reagent('E', 'magnesium titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(6, { reagent: 'A', called: 'buffer A' }),
			scoops(2, { reagent: 'B', called: 'powder B', expect: ROSE }),
			fill({ reagent: 'C', called: 'titrant C' }),
			titrate(56, {
				reagent: 'C',
				say: 'Add titrant C drop by drop until rose turns yellow',
				detail:
					'One drop, swirl, look. The first full yellow counts. Too much here reads magnesium too low later.',
				expect: PALE_YELLOW
			}),
			drops(4, { reagent: 'D', called: 'acid D', detail: 'Into the same vial. Full drops only.' }),
			fill({ reagent: 'E', called: 'titrant E' }),
			titrate(
				17,
				{
					reagent: 'E',
					say: 'Add titrant E: 0.60 mL at once, then drop by drop until yellow turns green',
					detail:
						'Same vial, other syringe. After 0.60 mL single drops, swirl after each. The first full green counts.',
					expect: MOSS
				},
				1
			)
		])
	}),
	kind: 'paired-titration',
	titration: bySyringe(
		{
			parameter: 'calcium',
			titrant: 'titrant C',
			worth: { by: 'titrant', molPerL: 0.045 },
			colours: { start: ROSE, passing: colour('apricot', '#e0a070'), end: PALE_YELLOW }
		},
		syringe('used')
	),
	second: bySyringe(
		{
			parameter: 'magnesium',
			titrant: 'titrant E',
			worth: { by: 'titrant', molPerL: 0.225 },
			colours: { start: PALE_YELLOW, passing: colour('lime', '#a9b845'), end: MOSS }
		},
		syringe('used', 0.6)
	)
};
