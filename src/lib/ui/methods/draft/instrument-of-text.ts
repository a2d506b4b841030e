import type { DisplayMethod, MethodCommon, ScaleMethod, ThermometerMethod } from '$lib/core/method';

import { fail, ok, type Result } from '$lib/core/result';
import { atLeastZero, every, positive, shareOf, someNumber, type Draft } from './typed';

type Own<M> = Omit<M, keyof MethodCommon>;

/** A number on a display, or which field of it is wrong. */
export function displayOfText({ text }: Draft): Result<Own<DisplayMethod>> {
	const numbers = every({
		resolution: positive(text.resolution, 'resolution'),
		low: text.rangeLow.trim() === '' ? ok(0) : someNumber(text.rangeLow, 'rangeLow'),
		high: someNumber(text.rangeHigh, 'rangeHigh'),
		absolute: atLeastZero(text.accuracyAbsolute, 'accuracyAbsolute', 0),
		relative: shareOf(text.accuracyPercent, 'accuracyPercent', 0)
	});
	if (!numbers.ok) return numbers;
	const { resolution, low, high, absolute, relative } = numbers.value;
	if (high <= 0 && low >= 0) return fail('invalid-field', 'rangeHigh', { rule: 'above', limit: 0 });
	// Left open, the result would be as sure as the last digit: a number that nobody vouches for.
	if (absolute + relative === 0) return fail('not-a-number', 'accuracyAbsolute');
	return ok({
		kind: 'display',
		unit: text.unit,
		resolution,
		accuracy: { absolute, relative },
		range: { low, high },
		withTemperature: text.withTemperature
	});
}

/** A line on a scale of specific gravity, or which field of it is wrong. */
export function scaleOfText({ text }: Draft, kind: ScaleMethod['kind']): Result<Own<ScaleMethod>> {
	const isFloat = kind === 'float';
	const scale = every({
		from: positive(text.scaleFrom, 'scaleFrom'),
		to: positive(text.scaleTo, 'scaleTo'),
		waterC: someNumber(text.waterC, 'waterC'),
		referenceC: someNumber(text.referenceC, 'referenceC'),
		graduation: positive(text.scaleMark, 'scaleMark'),
		tolerance: positive(text.scaleTolerance, 'scaleTolerance'),
		expansionPerK: isFloat ? atLeastZero(text.expansionPerK, 'expansionPerK', 0) : ok(0),
		temperatureTolerance: isFloat
			? atLeastZero(text.temperatureTolerance, 'temperatureTolerance', 0.5)
			: ok(0)
	});
	return scale.ok ? ok({ kind, scale: scale.value }) : scale;
}

/** A thermometer, or which field of it is wrong. */
export function thermometerOfText({ text }: Draft): Result<Own<ThermometerMethod>> {
	const numbers = every({
		graduationC: positive(text.scaleMark, 'scaleMark'),
		toleranceC: positive(text.accuracyAbsolute, 'accuracyAbsolute'),
		low: someNumber(text.rangeLow, 'rangeLow'),
		high: someNumber(text.rangeHigh, 'rangeHigh')
	});
	if (!numbers.ok) return numbers;
	const { graduationC, toleranceC, low, high } = numbers.value;
	return ok({ kind: 'thermometer', graduationC, toleranceC, rangeC: { low, high } });
}
