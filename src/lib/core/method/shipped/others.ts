import type {
	ColourMethod,
	DisplayMethod,
	ScaleMethod,
	ThermometerMethod,
	TitrationMethod
} from '../method.ts';
import { act, draw, drops, protocol, read, rinse, shake, stand, titrate } from '../step-words.ts';
import { byDrops, colour, kit, reagent, VIAL } from './common.ts';
import { row } from './nutrients.ts';

const phSteps = protocol([
	rinse(),
	draw({ detail: 'Test at once: carbon dioxide leaves or enters within minutes.' }),
	drops(4, { reagent: 'A', called: 'indicator A' }),
	shake(5),
	read({
		say: 'Hold the vial against the steps and find its place',
		detail: 'Beside the white part of the card, in daylight. Note the hour: pH swings through the day.',
		why: 'Respiration at night lowers pH and photosynthesis raises it by day, so one reading is one moment.'
	})
]);
const phCard = (code: string, name: string, colourSteps: ColourMethod['colourSteps']): ColourMethod => ({
	...kit({
		code,
		name,
		parameter: 'ph',
		species: 'pH by the buffers of the kit',
		sampleMl: { full: 6 },
		equipment: [VIAL, '10 mL sample syringe', 'colour card'],
		pack: { tests: 100, price: 8, closedMonths: 36, openedMonths: 18 },
		reagents: [reagent('A', 'indicator, in alcohol', 'flammable')],
		steps: phSteps
	}),
	kind: 'colour-card',
	unit: 'ph',
	spacing: 'linear',
	blank: false,
	view: 'The vial beside the white part of the card, from the side, in daylight.',
	colourSteps
});

export const PH_CARD = phCard(
	'ph-card',
	'pH by colour card',
	row([
		[7.4, 'ochre', '#c99a45'],
		[7.6, 'tan', '#bd8a55'],
		[7.8, 'dusty rose', '#b57a6c'],
		[8, 'old rose', '#ab6a7c'],
		[8.2, 'mauve', '#9c5a8a'],
		[8.4, 'plum', '#864a92'],
		[8.6, 'violet', '#6c3d96'],
		[8.8, 'blue violet', '#523494']
	])
);

export const PH_CARD_LOW = phCard(
	'ph-card-low',
	'pH by colour card, low range',
	row([
		[5.2, 'orange', '#df8a3a'],
		[5.5, 'amber', '#dca441'],
		[5.8, 'yellow', '#d9bf4a'],
		[6.1, 'lime', '#b9bd55'],
		[6.4, 'green', '#8fb062'],
		[6.7, 'sea green', '#629f7a'],
		[7, 'blue green', '#3c8a8a']
	])
);

const LIMITS_SG = { from: 1, to: 1.045 } as const;

/** A refractometer with a scale of specific gravity at 20 °C. */
export const SALINITY_GLASS: ScaleMethod = {
	...kit({
		code: 'salinity-glass',
		name: 'Salinity by line on glass',
		parameter: 'salinity',
		species: 'practical salinity',
		sampleMl: null,
		equipment: ['refractometer', 'pipette'],
		reagents: [],
		steps: protocol([
			act('Rinse the glass with purified water and wipe it dry', {
				detail: 'Set it now and then with a standard near S 35, not with pure water.',
				why: 'A scale that is right at zero can be far off at 35.'
			}),
			act('Two drops of water on the glass, close the cover', { detail: 'No bubbles under it.' }),
			stand(30, { why: 'The drop takes on the temperature of the glass. A warm drop reads too low.' }),
			read({
				say: 'Look towards the light and read the line',
				detail:
					'Where light and dark meet, on the scale of specific gravity 20/20. Between two marks is a reading too.'
			})
		])
	}),
	kind: 'scale-line',
	scale: {
		...LIMITS_SG,
		waterC: 20,
		referenceC: 20,
		graduation: 0.001,
		tolerance: 0.0005,
		expansionPerK: 0,
		temperatureTolerance: 0
	}
};

/** A glass float with a scale of specific gravity at 25 °C, read with the temperature of the water. */
export const SALINITY_FLOAT: ScaleMethod = {
	...kit({
		code: 'salinity-float',
		name: 'Salinity by float',
		parameter: 'salinity',
		species: 'practical salinity',
		sampleMl: null,
		equipment: ['glass float', 'tall jar', 'thermometer'],
		reagents: [],
		steps: protocol([
			act('Fill the jar, let bubbles rise, lower the float', {
				detail: 'It swims free of the wall. Flick bubbles off it.',
				why: 'A bubble lifts it like a swimming ring.'
			}),
			act('Read the temperature of the water in the jar', { detail: 'It enters the result.' }),
			read({
				say: 'Read the float at the surface of the water',
				detail:
					'At the flat surface, not at the rim that climbs up the stem. Between two marks is a reading too.'
			})
		])
	}),
	kind: 'float',
	scale: {
		...LIMITS_SG,
		waterC: 25,
		referenceC: 25,
		graduation: 0.001,
		tolerance: 0.0005,
		expansionPerK: 2.5e-5,
		temperatureTolerance: 0.5
	}
};

export const SALINITY_METER: DisplayMethod = {
	...kit({
		code: 'salinity-meter',
		name: 'Salinity by display',
		parameter: 'salinity',
		species: 'practical salinity',
		sampleMl: null,
		equipment: ['salinity meter', 'cup'],
		reagents: [],
		steps: protocol([
			act('Rinse the cup with the water, then fill it to its line', {
				detail: 'At room temperature. No bubbles.'
			}),
			read({ say: 'Enter what the display shows', detail: 'In PSU, with the temperature beside it.' })
		])
	}),
	kind: 'display',
	unit: 'psu',
	resolution: 0.1,
	accuracy: { absolute: 0.7, relative: 0 },
	range: { low: 0, high: 50 },
	withTemperature: true
};

export const THERMOMETER: ThermometerMethod = {
	...kit({
		code: 'thermometer',
		name: 'Temperature by thermometer',
		parameter: 'temperature',
		species: 'temperature',
		sampleMl: null,
		equipment: ['thermometer'],
		reagents: [],
		steps: protocol([
			read({
				say: 'Read the thermometer in the tank',
				detail: 'Away from heater and lamp, once it no longer moves.'
			})
		])
	}),
	kind: 'thermometer',
	graduationC: 0.1,
	toleranceC: 0.3,
	rangeC: { low: -5, high: 50 }
};

/** A probe that stays in the water or is held into it, its number read by wire or by eye. */
export const TEMPERATURE_PROBE: DisplayMethod = {
	...kit({
		code: 'temperature-probe',
		name: 'Temperature by probe',
		parameter: 'temperature',
		species: 'temperature',
		sampleMl: null,
		equipment: ['temperature probe'],
		reagents: [],
		steps: protocol([
			read({
				say: 'Hold the probe in the water and read it once it rests',
				detail: 'Away from heater and lamp.'
			})
		])
	}),
	kind: 'display',
	unit: 'celsius',
	resolution: 0.1,
	accuracy: { absolute: 0.2, relative: 0 },
	range: { low: -5, high: 50 },
	withTemperature: false
};

/** A glass electrode: right as long as its buffers were. */
export const PH_PROBE: DisplayMethod = {
	...kit({
		code: 'ph-probe',
		name: 'pH by probe',
		parameter: 'ph',
		species: 'pH by buffers of the probe',
		sampleMl: null,
		equipment: ['pH probe', 'buffer solutions'],
		reagents: [],
		steps: protocol([
			act('Rinse the probe with purified water, then with the water to be tested', {
				detail: 'Dab it, never rub it. The glass is thin.'
			}),
			read({
				say: 'Hold the probe in the water and read it once it rests',
				detail: 'A minute or two. Enter the temperature beside it.'
			})
		])
	}),
	kind: 'display',
	unit: 'ph',
	resolution: 0.01,
	accuracy: { absolute: 0.05, relative: 0 },
	range: { low: 3, high: 12 },
	withTemperature: true
};

const RED = colour('red', '#b8383f');
const GREEN = colour('green', '#3f8f58');

/** General hardness of fresh water: one drop is one degree, and the reagent brings its own indicator. */
export const GH_DROPS: TitrationMethod = {
	...kit({
		code: 'gh-drops',
		name: 'General hardness by drops',
		parameter: 'hardness',
		species: 'calcium and magnesium together',
		sampleMl: { full: 5 },
		equipment: [VIAL, '5 mL sample syringe'],
		pack: { tests: 50, price: 7, closedMonths: 36, openedMonths: 18 },
		reagents: [reagent('A', 'titrant with indicator', 'harmful')],
		steps: protocol([
			rinse(),
			draw(),
			titrate(8, {
				reagent: 'A',
				say: 'Add A drop by drop, shaking after each, until red turns green',
				detail:
					'Count every drop. In very soft water the first drop may turn it: the first full green counts.',
				expect: GREEN
			})
		])
	}),
	kind: 'drop-titration',
	titration: byDrops({
		parameter: 'hardness',
		titrant: 'A',
		worth: { by: 'line', unit: 'dgh', perUnit: 1, atZero: 0 },
		colours: { start: RED, passing: colour('grey', '#8a7a70'), end: GREEN }
	})
};
