import type { DisplayMethod, TitrationMethod } from '../method.ts';
import {
	blank,
	draw,
	drops,
	fill,
	invert,
	measureOut,
	protocol,
	read,
	rinse,
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

const GREEN = colour('green', '#3f9a6a');
const WINE_RED = colour('wine red', '#a3264f');

/** Alkalinity with acid from a syringe; 1 mL is worth 5.00 meq/L, twice that with half the sample. */
export const ALK_SYRINGE: TitrationMethod = {
	...kit({
		code: 'alk-syringe',
		version: 2,
		name: 'Alkalinity by syringe',
		parameter: 'alkalinity',
		species: 'total alkalinity',
		sampleMl: { full: 6, half: 3 },
		equipment: [VIAL, SAMPLE_SYRINGE, TITRATION_SYRINGE],
		pack: { tests: 60, price: 14, closedMonths: 30, openedMonths: 12 },
		reagents: [reagent('A', 'indicator, in alcohol', 'flammable'), reagent('B', 'dilute acid', 'acid')],
		steps: protocol([
			rinse(),
			draw(),
			drops(3, {
				reagent: 'A',
				called: 'indicator A',
				why: 'A tilted bottle gives drops of another size. The indicator shows when the acid has used up the alkalinity; it is not measured itself.'
			}),
			swirl(10, { detail: 'The whole vial is evenly green.', expect: GREEN }),
			fill({ reagent: 'B', called: 'acid B' }),
			titrate(39, {
				reagent: 'B',
				say: 'Add acid drop by drop until green turns wine red',
				detail:
					'One drop, swirl, look. At grey violet you are nearly there: single drops only. The first full wine red counts.',
				expect: WINE_RED
			})
		])
	}),
	kind: 'syringe-titration',
	titration: bySyringe(
		{
			parameter: 'alkalinity',
			titrant: 'acid B',
			worth: { by: 'titrant', molPerL: 0.03 },
			colours: { start: GREEN, passing: colour('grey violet', '#84748c'), end: WINE_RED }
		},
		syringe('left')
	)
};

const LEAF_GREEN = colour('green', '#4f9d4a');
const YELLOW = colour('yellow', '#e2c22f');

/** Alkalinity with drops of acid; 1 drop is worth 0.40 dKH. */
export const ALK_DROPS: TitrationMethod = {
	...kit({
		code: 'alk-drops',
		name: 'Alkalinity by drops',
		parameter: 'alkalinity',
		species: 'total alkalinity',
		sampleMl: { full: 10 },
		equipment: [VIAL, SAMPLE_SYRINGE],
		pack: { tests: 75, price: 9, closedMonths: 36, openedMonths: 18 },
		reagents: [reagent('A', 'indicator, in alcohol', 'flammable'), reagent('B', 'dilute acid', 'acid')],
		steps: protocol([
			rinse(),
			draw(),
			drops(2, { reagent: 'A', called: 'indicator A', expect: LEAF_GREEN }),
			titrate(21, {
				reagent: 'B',
				say: 'Add acid B drop by drop until green turns yellow',
				detail:
					'Count every drop, swirl after each. The yellow fades back within seconds: the first turn counts.',
				why: 'Carbon dioxide leaves the vial and the water turns green again. The acid was in excess when it first turned; what comes after is another reaction.',
				expect: YELLOW
			})
		])
	}),
	kind: 'drop-titration',
	titration: byDrops({
		parameter: 'alkalinity',
		titrant: 'acid B',
		worth: { by: 'titrant', molPerL: 0.0357 },
		colours: { start: LEAF_GREEN, passing: colour('lime', '#a3b53a'), end: YELLOW }
	})
};

/** Alkalinity by a small photometer that shows mg/L CaCO₃. */
export const ALK_METER: DisplayMethod = {
	...kit({
		code: 'alk-meter',
		name: 'Alkalinity by display',
		parameter: 'alkalinity',
		species: 'total alkalinity',
		sampleMl: { full: 8 },
		equipment: ['photometer', '10 mL cuvette with cap', '1 mL reagent syringe'],
		pack: { tests: 25, price: 12, closedMonths: 24, openedMonths: 6 },
		limits: { low: null, high: 16.8 },
		reagents: [reagent('A', 'buffered dye', 'harmful')],
		steps: protocol([
			rinse({ say: 'Rinse the cuvette with purified water, then with the water to be tested' }),
			draw({ say: 'Fill the cuvette with {sample}', detail: 'To its line, no bubbles. Wipe the glass dry.' }),
			blank(),
			measureOut(0.8, { reagent: 'A' }),
			invert(6),
			stand(15),
			read({
				say: 'Put it back, press read, and enter what the display shows',
				detail: 'In mg/L CaCO₃, as shown. Wipe fingerprints off first.'
			})
		])
	}),
	kind: 'display',
	unit: 'mg-per-l-caco3',
	resolution: 1,
	accuracy: { absolute: 6, relative: 0.04 },
	range: { low: 0, high: 300 },
	withTemperature: false
};
