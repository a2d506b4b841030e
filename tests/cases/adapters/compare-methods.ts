import { againstInterval, blandAltman, comparePair } from '../../../src/lib/core/comparison/index.ts';
import { judge } from '../../../src/lib/core/judgement/index.ts';
import { values, type Given, type Operation } from '../shape.ts';
import { tried } from './tried.ts';

const side = (given: Given, n: 1 | 2) => ({
	value: given.number(`x${n}`),
	u: given.number(`u${n}`),
	k: given.numberOr(`k${n}`, 2)
});

export const pair: Operation = (given) =>
	tried(() => {
		const found = comparePair(side(given, 1), side(given, 2), given.numberOr('correlation', 0));
		return values({
			difference: found.difference,
			u_difference: found.uDifference,
			E_n: found.en,
			zeta: found.zeta,
			E_n_ok: found.enOk,
			zeta_class: found.agreement
		});
	});

export const series: Operation = (given) =>
	tried(() => {
		const found = blandAltman(given.numbers('x'), given.numbers('y'));
		return values({
			bias: found.bias,
			sd: found.sd,
			loa_low: found.low.value,
			loa_high: found.high.value,
			bias_ci_low: found.biasLow,
			bias_ci_high: found.biasHigh,
			loa_low_ci_low: found.low.from,
			loa_low_ci_high: found.low.to,
			loa_high_ci_low: found.high.from,
			loa_high_ci_high: found.high.to,
			slope: found.slope,
			u_slope: found.uSlope
		});
	});

/** The cases know two classes: what is not agreed on is not agreed. */
export const besideInterval: Operation = (given) =>
	tried(() => {
		const { z, agreement } = againstInterval(
			{ value: given.number('x'), u: given.number('u') },
			given.number('lower'),
			given.limit('upper')
		);
		return values({ z, class: agreement === 'agree' ? 'agree' : 'disagree' });
	});

export const prediction: Operation = (given) => {
	const u = given.number('u');
	const expected = {
		value: given.number('predicted'),
		sd: Math.hypot(u, given.number('u_predicted'))
	};
	const { z, fits } = judge(given.number('x'), u, null, expected).expectation!;
	return values({ z, class: fits ? 'agree' : 'disagree' });
};
