import { stepInterval, type StepStatement } from '../../../src/lib/core/method/index.ts';
import { refused, values, type Operation } from '../shape.ts';

const KINDS = ['above', 'below', 'between', 'nearer_lower', 'nearer_upper', 'on'] as const;

export const comparatorReading: Operation = (given) => {
	const kind = given.word('kind', KINDS);
	const index = given.has('index') ? given.number('index') : Number.NaN;
	const statement: StepStatement = kind === 'above' || kind === 'below' ? { kind } : { kind, index };
	const found = stepInterval(
		given.numbers('steps_mg_per_L'),
		given.word('spacing', ['linear', 'log'] as const),
		statement,
		given.numberOr('dilution_factor', 1)
	);
	if (!found.ok) return refused(found.fault.code);
	const { lower, upper, median, mean, u } = found.value;
	return values({
		lower_mg_per_L: lower,
		upper_mg_per_L: upper,
		median_mg_per_L: median,
		mean_mg_per_L: mean,
		u_mg_per_L: u
	});
};
