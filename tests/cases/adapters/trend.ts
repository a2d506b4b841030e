import { twoPointRate, weightedRate } from '../../../src/lib/core/trend/index.ts';
import { values, type Operation } from '../shape.ts';

export const twoPoint: Operation = (given) => {
	const rate = twoPointRate(
		{ value: given.number('C0'), u: given.number('u0') },
		{ value: given.number('C1'), u: given.number('u1') },
		given.number('days'),
		{ value: given.numberOr('added', 0), u: given.numberOr('u_added', 0) }
	);
	return values({ rate_per_day: rate.perDay, u_rate_per_day: rate.u });
};

export const weightedLine: Operation = (given) => {
	const days = given.numbers('t_day');
	const levels = given.numbers('C');
	const u = given.numbers('u');
	const added = given.numbers('cumulative_added');
	const rate = weightedRate(
		days.map((day, i) => ({ day, value: levels[i]!, u: u[i]!, cumulativeAdded: added[i] ?? 0 }))
	);
	return values({
		rate_per_day: rate.perDay,
		u_rate_per_day: rate.u,
		C_at_t0: rate.atStart,
		chi2: rate.chiSquared
	});
};
