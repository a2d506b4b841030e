import type { ScaleMethod, ThermometerMethod } from '../../method/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { salinityByHydrometer } from '../../seawater/density/index.ts';
import { propagate, rectangular, type MeasurementModel } from '../../uncertainty/index.ts';
import { ModelledOutcome, type ArithmeticLine, type Derivation } from '../outcome/outcome.ts';
import { faultOnScale, type Scale } from './check-number.ts';
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

/**
 * Salinity from a line on a scale of specific gravity: the border in a refractometer, or the surface at a float, whose
 * reading is brought from the water's temperature to that of its scale.
 *
 * @returns fails below fresh water and beyond S = 42
 */
export function deriveScale(method: ScaleMethod, reading: LineReading): Result<Derivation> {
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
	const middle = (reading.lower + reading.upper) / 2;
	const salinityAt = (sg: number, t: number) => salinityByHydrometer(sg, t, hydrometer);
	const value = salinityAt(middle, temperatureC);
	if (value === null) return fail('no-salinity', 'lower', { reading: middle });
	const model: MeasurementModel = {
		inputs: [
			{
				source: 'graduation',
				repeats: 'random',
				shape: 'rectangular',
				mean: middle,
				u: uOfLine(reading, graduation)
			},
			{
				source: 'scale-calibration',
				repeats: 'common',
				shape: 'rectangular',
				mean: 0,
				u: rectangular(scale.tolerance)
			},
			{
				source: 'temperature',
				repeats: 'random',
				shape: 'rectangular',
				mean: temperatureC,
				u: isFloat ? rectangular(scale.temperatureTolerance) : 0
			}
		],
		evaluate: (x) => {
			const sg = x[0]! + x[1]!;
			return salinityAt(sg, x[2]!) ?? (sg < 1.01 ? 0 : SALTIEST);
		}
	};
	const { uRandom, uCommon } = propagate(model);
	const { lower, upper } = reading;
	const line: ArithmeticLine = { kind: 'scale', lower, upper, waterC, referenceC, temperatureC, value };
	const { parameter } = method;
	return ok({
		outcomes: [
			new ModelledOutcome({ kind: 'value', parameter, unit: 'psu', value, uRandom, uCommon }, model, [line])
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
