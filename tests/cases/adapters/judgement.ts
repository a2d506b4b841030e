import { againstBand } from '../../../src/lib/core/judgement/index.ts';
import { values, type Operation } from '../shape.ts';

export const inspectBand: Operation = (given) => {
	const result = againstBand(given.number('value'), given.number('u'), {
		low: given.limit('band_low'),
		high: given.limit('band_high')
	});
	return values({
		p_in: result.pIn,
		p_below: result.pBelow,
		p_above: result.pAbove,
		decision: result.decision
	});
};
