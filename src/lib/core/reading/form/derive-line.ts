import type { ScaleMethod, ThermometerMethod } from '../../method/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { salinityByHydrometer } from '../../seawater/density/index.ts';
import {
	propagate,
	rectangular,
	type InputQuantity,
	type MeasurementModel
} from '../../uncertainty/index.ts';
import { ModelledOutcome, type ArithmeticLine, type Derivation } from '../outcome/outcome.ts';
import { faultOnScale, type Scale } from './check-number.ts';
import { beyondRounding, type KnownReader, type OwnEye } from './known-reader.ts';
import type { LineReading } from './raw-reading.ts';

/** Beyond what the density formula covers a draw of the simulation is held at its end. */
const SALTIEST = 42;

function endsFault(reading: LineReading, scale: Scale) {
	return (
		faultOnScale(reading.lower, 'lower', scale) ??
		faultOnScale(reading.upper, 'upper', scale) ??
		(reading.lower > reading.upper ? ({ code: 'range-reversed', field: 'upper' } as const) : null)
	);
}

/** On a mark the true line lies within half a graduation of it; between two marks, anywhere between them. */
function uOfLine(reading: LineReading, graduation: number): number {
	return rectangular(Math.max(graduation, reading.upper - reading.lower) / 2);
}

interface Mean {
	readonly mean: number;
	readonly u: number;
}

/** What salinity by a line hangs on: where it stood, the scale itself, the water's warmth, and whoever looked. */
function scaleModel(
	given: {
		readonly sg: Mean;
		readonly temperatureC: Mean;
		readonly uScale: number;
		readonly own: readonly InputQuantity[];
	},
	salinityAt: (sg: number, temperatureC: number) => number | null
): MeasurementModel {
	const rect = { shape: 'rectangular' } as const;
	return {
		inputs: [
			{ ...rect, ...given.sg, source: 'graduation', repeats: 'random' },
			{ ...rect, mean: 0, u: given.uScale, source: 'scale-calibration', repeats: 'common' },
			{ ...rect, ...given.temperatureC, source: 'temperature', repeats: 'random' },
			...given.own
		],
		evaluate: (x) => {
			let sg = x[0]! + x[1]!;
			for (let i = 0; i < given.own.length; i++) sg += x[3 + i]!;
			return salinityAt(sg, x[2]!) ?? (sg < 1.01 ? 0 : SALTIEST);
		}
	};
}

/** What is known of whoever looks at the scale, in its unit: an unsteady eye, and what is not known of its bias. */
function ownInputs(own: OwnEye | null, graduation: number): InputQuantity[] {
	if (!own) return [];
	const eye = { shape: 'normal', mean: 0 } as const;
	return [
		{ ...eye, source: 'own-scale', repeats: 'random', u: graduation * beyondRounding(own) },
		{ ...eye, source: 'own-bias', repeats: 'common', u: graduation * own.uBias }
	];
}

/**
 * Salinity from a line on a scale of specific gravity: the border in a refractometer, or the surface at a float, whose
 * reading is brought from the water's temperature to that of its scale.
 *
 * @returns fails below fresh water and beyond S = 42
 */
export function deriveScale(
	method: ScaleMethod,
	reading: LineReading,
	{ scale: own }: KnownReader
): Result<Derivation> {
	const { scale } = method;
	const { waterC, referenceC, graduation, expansionPerK } = scale;
	const onScale: Scale = { least: scale.from, most: scale.to, finest: graduation / 2, unit: '' };
	const fault = endsFault(reading, onScale);
	if (fault) return { ok: false, fault };
	const isFloat = method.kind === 'float';
	if (isFloat && reading.temperatureC === null) return fail('temperature-missing', 'temperatureC');
	const temperatureC = isFloat ? reading.temperatureC! : waterC;
	const cold = faultOnScale(temperatureC, 'temperatureC', { least: 0, most: 40, unit: '°C' });
	if (cold) return { ok: false, fault: cold };

	const hydrometer = { calibratedC: waterC, referenceC, expansionPerK };
	const middle = (reading.lower + reading.upper) / 2 - (own ? own.bias * graduation : 0);
	const salinityAt = (sg: number, t: number) => salinityByHydrometer(sg, t, hydrometer);
	const value = salinityAt(middle, temperatureC);
	if (value === null) return fail('no-salinity', 'lower', { reading: middle });
	const model = scaleModel(
		{
			sg: { mean: middle, u: uOfLine(reading, graduation) },
			temperatureC: { mean: temperatureC, u: isFloat ? rectangular(scale.temperatureTolerance) : 0 },
			uScale: rectangular(scale.tolerance),
			own: ownInputs(own, graduation)
		},
		salinityAt
	);
	const { uRandom, uCommon } = propagate(model);
	const { lower, upper } = reading;
	const line: ArithmeticLine = { kind: 'scale', lower, upper, waterC, referenceC, temperatureC, value };
	const byOwn: readonly ArithmeticLine[] = own
		? [{ kind: 'own-scale', shift: -own.bias * graduation, u: own.uBias * graduation }]
		: [];
	const { parameter } = method;
	return ok({
		outcomes: [
			new ModelledOutcome({ kind: 'value', parameter, unit: 'psu', value, uRandom, uCommon }, model, [
				...byOwn,
				line
			])
		]
	});
}

export function deriveThermometer(method: ThermometerMethod, reading: LineReading): Result<Derivation> {
	const { graduationC, toleranceC, rangeC } = method;
	const fault = endsFault(reading, {
		least: rangeC.low,
		most: rangeC.high,
		finest: graduationC / 2,
		unit: '°C'
	});
	if (fault) return { ok: false, fault };
	const value = (reading.lower + reading.upper) / 2;
	const model: MeasurementModel = {
		inputs: [
			{
				source: 'graduation',
				repeats: 'random',
				shape: 'rectangular',
				mean: value,
				u: uOfLine(reading, graduationC)
			},
			{
				source: 'scale-calibration',
				repeats: 'common',
				shape: 'rectangular',
				mean: 0,
				u: rectangular(toleranceC)
			}
		],
		evaluate: (x) => x[0]! + x[1]!
	};
	const { uRandom, uCommon } = propagate(model);
	const line: ArithmeticLine = { kind: 'thermometer', lower: reading.lower, upper: reading.upper };
	return ok({
		outcomes: [
			new ModelledOutcome(
				{ kind: 'value', parameter: method.parameter, unit: 'celsius', value, uRandom, uCommon },
				model,
				[line]
			)
		]
	});
}
