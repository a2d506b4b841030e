import type { DisplayMethod } from '../../method/index.ts';
import { convert, convertSpan, PARAMETERS, UNITS } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import {
	rectangular,
	standardUncertaintyOf,
	sumOfTwoRectangulars,
	type MeasurementModel
} from '../../uncertainty/index.ts';
import { BoundOutcome, ModelledOutcome, type ArithmeticLine, type Derivation } from '../outcome/outcome.ts';
import { faultOnScale } from './check-number.ts';
import type { DisplayReading } from './raw-reading.ts';

/**
 * A number on a display. The maker's accuracy covers what differs from reading to reading and what is the same in
 * all; until repeats tell them apart, half of its variance is taken to be of each kind.
 */
export function deriveDisplay(method: DisplayMethod, reading: DisplayReading): Result<Derivation> {
	const { parameter, unit: from, range, accuracy, resolution } = method;
	const unit = PARAMETERS[parameter].canonicalUnit;
	const { shown } = reading;
	if (shown === 'over' || shown === 'under') {
		if (shown === 'under' && !(range.low > 0)) return fail('no-such-step', 'shown');
		const limit = convert(shown === 'over' ? range.high : range.low, from, unit);
		const sense = shown === 'over' ? '>' : '<';
		const line: ArithmeticLine = { kind: 'display', shown, unit: from, value: limit };
		return ok({ outcomes: [new BoundOutcome({ kind: 'bound', parameter, unit, sense, limit }, [line])] });
	}
	const fault = faultOnScale(shown, 'shown', {
		least: range.low,
		most: range.high,
		finest: resolution,
		unit: UNITS[from].symbol
	});
	if (fault) return { ok: false, fault };
	if (method.withTemperature && reading.temperatureC !== null) {
		const cold = faultOnScale(reading.temperatureC, 'temperatureC', { least: -5, most: 50, unit: '°C' });
		if (cold) return { ok: false, fault: cold };
	}
	const error = Math.max(accuracy.absolute, accuracy.relative * Math.abs(shown));
	const u = (x: number) => convertSpan(x, from, unit);
	const value = convert(shown, from, unit);
	const model: MeasurementModel = {
		inputs: [
			{
				source: 'resolution',
				repeats: 'random',
				shape: 'rectangular',
				mean: 0,
				u: u(rectangular(resolution / 2))
			},
			// One error of the instrument, half of which stays the same at the next reading.
			{ source: 'accuracy', repeats: 'common', shape: 'rectangular', mean: 0, u: u(rectangular(error)) }
		],
		evaluate: (x) => Math.max(0, value + x[0]! + x[1]!)
	};
	const half = u(rectangular(error)) / Math.SQRT2;
	const uRandom = Math.hypot(u(rectangular(resolution / 2)), half);
	const uCommon = half;
	// Its error is spread evenly: twice its standard uncertainty would be more than it can be.
	const coverage =
		sumOfTwoRectangulars(u(error), u(resolution / 2)) / standardUncertaintyOf({ uRandom, uCommon });
	const line: ArithmeticLine = { kind: 'display', shown, unit: from, value };
	return ok({
		outcomes: [
			new ModelledOutcome({ kind: 'value', parameter, unit, value, uRandom, uCommon, coverage }, model, [
				line
			])
		]
	});
}
