import { standardCheck } from '../../../src/lib/core/comparison/index.ts';
import { refused, values, type Operation } from '../shape.ts';

export const checkOnStandard: Operation = (given) => {
	const readings = given.numbers('readings');
	const standard = { value: given.number('std_true'), u: given.number('u_std') };
	const uSingle = given.number('u_single_reading');
	try {
		const { mean, bias, uBias, recovery, zeta, agreement } = standardCheck(readings, standard, uSingle);
		return values({ mean, bias, u_bias: uBias, recovery, zeta, class: agreement });
	} catch (error) {
		return refused((error as Error).message);
	}
};
