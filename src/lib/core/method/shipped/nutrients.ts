import type { ColourMethod, ColourStep, DisplayMethod } from '../method.ts';
import {
	act,
	blank,
	draw,
	drops,
	protocol,
	read,
	rinse,
	scoops,
	shake,
	stand,
	waitBetween,
	waitExactly
} from '../step-words.ts';
import { colour, kit, reagent, SAMPLE_SYRINGE, VIAL } from './common.ts';

/** Values and swatches of a row of steps, palest first. */
export const row = (steps: readonly (readonly [value: number, name: string, css: string])[]): ColourStep[] =>
	steps.map(([value, name, css]) => ({ value, colour: colour(name, css) }));

const onWhite = 'From above, the open vial standing on white, in daylight.';
const readCard = (where: string) =>
	read({
		say: 'Hold the vial against the steps and find its place',
		detail: where,
		why: 'Coloured surroundings and lamps shift the hue. The printed step in your hand decides; the screen only helps to find the place.'
	});

export const NO3_CARD: ColourMethod = {
	...kit({
		code: 'no3-card',
		name: 'Nitrate by colour card',
		parameter: 'nitrate',
		species: 'nitrate, with any nitrite',
		sampleMl: { full: 7 },
		equipment: [VIAL, SAMPLE_SYRINGE, 'scoop for the powder', 'colour card'],
		pack: { tests: 60, price: 15, closedMonths: 30, openedMonths: 12 },
		reagents: [
			reagent('A', 'acid', 'acid'),
			reagent('B', 'zinc dust with dye', 'powder', 'harmful', 'flammable')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(8, { reagent: 'A' }),
			shake(15),
			scoops(1, { reagent: 'B', called: 'powder B' }),
			shake(50),
			waitExactly(6 * 60),
			readCard(onWhite)
		])
	}),
	kind: 'colour-card',
	unit: 'mg-per-l-no3',
	spacing: 'log',
	blank: false,
	view: onWhite,
	colourSteps: row([
		[0, 'pale straw', '#f1ecd2'],
		[3, 'shell', '#f0d5c8'],
		[8, 'salmon', '#eab3a6'],
		[15, 'coral', '#df8a86'],
		[30, 'raspberry', '#c9566a'],
		[60, 'crimson', '#a12a4c']
	])
};

export const NO3_LADDER: ColourMethod = {
	...kit({
		code: 'no3-ladder',
		name: 'Nitrate, fine, by comparator',
		parameter: 'nitrate',
		species: 'nitrate, with any nitrite',
		sampleMl: { full: 9 },
		dilutions: [5, 10],
		equipment: ['comparator', VIAL, 'second vial for the blank', SAMPLE_SYRINGE, 'scoop for the powder'],
		pack: { tests: 45, price: 26, closedMonths: 24, openedMonths: 9 },
		reagents: [
			reagent('A', 'reducing powder', 'powder', 'harmful', 'heavy-metal'),
			reagent('B', 'acid', 'acid'),
			reagent('C', 'dye', 'harmful')
		],
		steps: protocol([
			rinse({ say: 'Rinse both vials with purified water, then with the water to be tested' }),
			draw({
				say: 'Draw {sample} into each vial',
				detail: 'Mark the one that reacts. The other stays plain water: the blank.'
			}),
			scoops(1, {
				reagent: 'A',
				called: 'powder A',
				detail: 'Into the marked vial only. Level, struck off flat.'
			}),
			shake(40, { say: 'Shake hard for 40 seconds' }),
			drops(4, { reagent: 'B' }),
			waitExactly(6 * 60),
			drops(3, { reagent: 'C', called: 'dye C' }),
			waitExactly(5 * 60),
			act('Blank in the outer place, marked vial in the middle, lids off', {
				detail: 'Tap the vials so that no bubbles sit on the bottom.',
				why: 'The steps are seen through the blank, so that the tint of the water counts on both sides.'
			}),
			readCard('From above, in daylight. Turn to the best match.')
		])
	}),
	kind: 'comparator',
	unit: 'mg-per-l-no3',
	spacing: 'log',
	blank: true,
	view: 'From above through blank and sample, in daylight.',
	colourSteps: row([
		[0, 'water', '#f3f0e6'],
		[0.15, 'hint of rose', '#f4e3e2'],
		[0.4, 'pale rose', '#f2cfd6'],
		[0.8, 'rose', '#eab0c0'],
		[1.5, 'pink', '#dd86a4'],
		[3, 'magenta', '#c6558a'],
		[5, 'deep magenta', '#a3316f']
	])
};

const inFront = 'The vial beside the white part of the card, from the side, in daylight.';

export const PO4_CARD: ColourMethod = {
	...kit({
		code: 'po4-card',
		name: 'Phosphate by colour card',
		parameter: 'phosphate',
		species: 'inorganic phosphate',
		sampleMl: { full: 10 },
		equipment: [VIAL, SAMPLE_SYRINGE, 'colour card'],
		pack: { tests: 60, price: 16, closedMonths: 24, openedMonths: 12 },
		reagents: [
			reagent('A', 'molybdate in acid', 'acid', 'harmful'),
			reagent('B', 'suspension that settles', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(6, { reagent: 'A' }),
			shake(10),
			shake(20, {
				reagent: 'B',
				say: 'Shake bottle B for 20 seconds',
				detail: 'Until nothing lies on its bottom. Then do not wait.',
				why: 'The solid carries the reaction. From a settled bottle the drops are too weak, later ones too strong.'
			}),
			drops(4, {
				reagent: 'B',
				say: 'Add 4 drops of B at once',
				detail: 'Straight after shaking it, one after another.'
			}),
			shake(10),
			waitBetween(3 * 60, 5 * 60),
			readCard(inFront)
		])
	}),
	kind: 'colour-card',
	unit: 'mg-per-l-po4',
	spacing: 'log',
	blank: false,
	view: inFront,
	colourSteps: row([
		[0, 'water', '#eef1ee'],
		[0.04, 'hint of blue', '#dfe9ef'],
		[0.1, 'pale blue', '#c5dcea'],
		[0.25, 'sky blue', '#9cc4df'],
		[0.5, 'blue', '#639fcb'],
		[1, 'deep blue', '#2e72ad']
	])
};

/** Phosphate by a small photometer that shows µg of phosphorus per litre. */
export const PO4_METER: DisplayMethod = {
	...kit({
		code: 'po4-meter',
		name: 'Phosphate by display',
		parameter: 'phosphate',
		species: 'inorganic phosphate',
		sampleMl: { full: 10 },
		equipment: ['photometer', '10 mL cuvette with cap'],
		pack: { tests: 25, price: 13, closedMonths: 36, openedMonths: 36 },
		limits: { low: null, high: 0.61 },
		reagents: [reagent('A', 'powder in a sachet', 'powder', 'harmful')],
		steps: protocol([
			rinse({ say: 'Rinse the cuvette with purified water, then with the water to be tested' }),
			draw({ say: 'Fill the cuvette with {sample}', detail: 'To its line, no bubbles. Wipe the glass dry.' }),
			blank(),
			act('Tip the whole sachet A into the cuvette', {
				reagent: 'A',
				detail: 'All of it, edges too. Cap it at once.',
				why: 'The sachet is weighed for one cuvette.'
			}),
			shake(90),
			waitExactly(3 * 60),
			read({
				say: 'Put it back, press read, and enter what the display shows',
				detail: 'In µg/L P, as shown.'
			})
		])
	}),
	kind: 'display',
	unit: 'ug-per-l-p',
	resolution: 1,
	accuracy: { absolute: 4, relative: 0.05 },
	range: { low: 0, high: 200 },
	withTemperature: false
};

export const NH3_CARD: ColourMethod = {
	...kit({
		code: 'nh3-card',
		name: 'Ammonia by colour card',
		parameter: 'ammonia',
		species: 'total ammonia, counted as NH₄',
		sampleMl: { full: 4 },
		equipment: [VIAL, '5 mL sample syringe', 'colour card'],
		pack: { tests: 50, price: 12, closedMonths: 30, openedMonths: 12 },
		reagents: [
			reagent('A', 'alkaline salicylate', 'caustic'),
			reagent('B', 'chlorine donor', 'caustic', 'harmful')
		],
		steps: protocol([
			rinse(),
			draw(),
			drops(6, { reagent: 'A' }),
			stand(60),
			drops(5, { reagent: 'B' }),
			stand(6 * 60),
			readCard(onWhite)
		])
	}),
	kind: 'colour-card',
	unit: 'mg-per-l-nh4',
	spacing: 'log',
	blank: false,
	view: onWhite,
	colourSteps: row([
		[0, 'straw', '#efe9b8'],
		[0.1, 'greenish straw', '#dde4a6'],
		[0.25, 'pale green', '#bfd78f'],
		[0.6, 'green', '#8fc07a'],
		[1.2, 'leaf green', '#58a066'],
		[2.5, 'dark green', '#2b7a58']
	])
};

export const NO2_CARD: ColourMethod = {
	...kit({
		code: 'no2-card',
		name: 'Nitrite by colour card',
		parameter: 'nitrite',
		species: 'nitrite',
		sampleMl: { full: 6 },
		dilutions: [5],
		equipment: [VIAL, SAMPLE_SYRINGE, 'colour card'],
		pack: { tests: 60, price: 9, closedMonths: 36, openedMonths: 18 },
		reagents: [reagent('A', 'dye in acid', 'acid', 'harmful')],
		steps: protocol([
			rinse(),
			draw(),
			drops(4, { reagent: 'A' }),
			shake(10),
			stand(4 * 60),
			readCard(onWhite)
		])
	}),
	kind: 'colour-card',
	unit: 'mg-per-l-no2',
	spacing: 'log',
	blank: false,
	view: onWhite,
	colourSteps: row([
		[0, 'cream', '#f3ecd9'],
		[0.1, 'blush', '#f2d6cf'],
		[0.3, 'pale pink', '#eeb6bf'],
		[0.6, 'pink', '#e28ba6'],
		[1.2, 'cerise', '#cb5488'],
		[2.5, 'purple', '#96307a']
	])
};
