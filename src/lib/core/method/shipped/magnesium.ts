import type { DifferenceMethod, TitrationMethod } from '../method.ts';
import {
	act,
	draw,
	drops,
	fill,
	protocol,
	rinse,
	scoops,
	shake,
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

const BRICK = colour('brick', '#a8503a');
const BLUE = colour('blue', '#2f5fa8');

/** Magnesium with calcium masked first; 1 mL is worth 1556 mg/L. */
export const MG_SYRINGE: TitrationMethod = {
	...kit({
		code: 'mg-syringe',
		name: 'Magnesium by syringe',
		parameter: 'magnesium',
		species: 'magnesium, calcium masked',
		sampleMl: { full: 2.5 },
		equipment: [VIAL, SAMPLE_SYRINGE, TITRATION_SYRINGE, 'scoop for the powder'],
		pack: { tests: 40, price: 18, closedMonths: 24, openedMonths: 12 },
		reagents: [
			reagent('A', 'binds calcium', 'harmful'),
			reagent('B', 'indicator powder', 'powder', 'harmful'),
			reagent('C', 'complexing titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(10, {
				reagent: 'A',
				say: 'Add 10 drops of A, one straight after another',
				detail: 'Bottle straight upside down, full drops only, without a pause.',
				why: 'Calcium must be bound at once and completely, or it is titrated along and magnesium reads too high.'
			}),
			shake(20),
			scoops(1, { reagent: 'B', called: 'powder B' }),
			stand(30, { expect: BRICK }),
			fill({ reagent: 'C', called: 'titrant C' }),
			titrate(17, {
				reagent: 'C',
				say: 'Add 0.60 mL of titrant C in one go, then drop by drop until brick turns blue',
				detail: 'After 0.60 mL single drops, swirl after each. The first full blue counts.',
				expect: BLUE
			})
		])
	}),
	kind: 'syringe-titration',
	titration: bySyringe(
		{
			parameter: 'magnesium',
			titrant: 'titrant C',
			worth: { by: 'titrant', molPerL: 0.16 },
			colours: { start: BRICK, passing: colour('mauve', '#7a5a80'), end: BLUE }
		},
		syringe('used', 0.6)
	)
};

const OLD_ROSE = colour('rose', '#c9617f');
const CLEAR_BLUE = colour('clear blue', '#3a78c0');

/** Calcium and magnesium together, from which calcium's own result is taken off by moles; 1 drop is 60.8 mg/L as Mg. */
export const HARDNESS_DROPS: DifferenceMethod = {
	...kit({
		code: 'hardness-drops',
		name: 'Magnesium as hardness less calcium',
		parameter: 'magnesium',
		species: 'magnesium, as total less calcium',
		sampleMl: { full: 4 },
		equipment: [VIAL, SAMPLE_SYRINGE, 'small scoop'],
		pack: { tests: 40, price: 12, closedMonths: 36, openedMonths: 18 },
		reagents: [
			reagent('A', 'buffer, pH 10, smells of ammonia', 'caustic', 'harmful'),
			reagent('B', 'indicator powder', 'powder'),
			reagent('C', 'complexing titrant', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(9, { reagent: 'A', called: 'buffer A' }),
			scoops(1, { reagent: 'B', say: 'Add 1 small level scoop of powder B' }),
			swirl(15, { expect: OLD_ROSE }),
			act('Have a calcium result of the same water at hand', {
				detail: 'Read today, or at most a few days old. You are asked for it with the result.',
				why: 'Calcium is counted along. Its own uncertainty enters magnesium with a weight of 0.61.'
			}),
			titrate(26, {
				reagent: 'C',
				say: 'Add titrant C drop by drop until rose turns clear blue',
				detail:
					'Count every drop, swirl after each. Stop at the same sight of blue as you did with calcium: no trace of rose.',
				expect: CLEAR_BLUE
			})
		])
	}),
	kind: 'difference',
	subtract: { parameter: 'calcium', by: 'moles' },
	titration: byDrops({
		parameter: 'magnesium',
		titrant: 'titrant C',
		worth: { by: 'titrant', molPerL: 0.25 },
		colours: { start: OLD_ROSE, passing: colour('mauve', '#8a6aa0'), end: CLEAR_BLUE }
	})
};
