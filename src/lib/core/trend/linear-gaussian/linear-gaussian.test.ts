import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	adjointOf,
	emptyTrack,
	filterLevelRate,
	smoothedAt,
	timelineOf,
	type TimelineItem
} from '../level-rate/index.ts';
import { beliefAt, filteredAfter, filterLinear, LinearAdjoint, seenAt, type LinearItem } from './index.ts';

const prior = { level: 8, rate: 0.3, levelVariance: 2, covariance: 0.1, rateVariance: 0.5 };
const wander = { levelPerDay: 0.003, ratePerDay: 0.0008 };

/** The plain two states, as the general filter sees them. */
function asLinear(item: TimelineItem): LinearItem[] {
	const { day } = item;
	switch (item.kind) {
		case 'value':
			return [{ ...item, sight: [[0, 1]] }];
		case 'interval':
			return [{ ...item, sight: [[0, 1]] }];
		case 'loosen':
			return [
				{ kind: 'loosen', day, state: 0, variance: item.levelVariance },
				{ kind: 'loosen', day, state: 1, variance: item.rateVariance }
			];
		default:
			return [{ ...item, state: 0 }];
	}
}

const amount = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyItem = fc.oneof(
	fc.record({ kind: fc.constant('value' as const), value: amount(6, 10), u: amount(0.05, 0.5) }),
	fc.record({
		kind: fc.constant('interval' as const),
		lower: amount(5, 8),
		upper: amount(8.1, 11),
		u: amount(0, 0.3)
	}),
	fc.record({ kind: fc.constant('step' as const), amount: amount(-1, 2), u: amount(0, 0.2) }),
	fc.record({
		kind: fc.constant('exchange' as const),
		fraction: amount(0, 0.6),
		newWater: fc.option(amount(6, 10)),
		uNewWater: amount(0, 0.5),
		uFraction: amount(0, 0.05)
	}),
	fc.record({ kind: fc.constant('flow' as const), perDay: amount(0, 1) }),
	fc.record({
		kind: fc.constant('loosen' as const),
		levelVariance: amount(0, 1),
		rateVariance: amount(0, 0.1)
	})
);
const anyStory = fc
	.array(fc.tuple(amount(0, 6), anyItem), { minLength: 1, maxLength: 25 })
	.map((parts): TimelineItem[] => {
		let day = 0;
		return parts.map(([gap, item]) => ({ ...item, day: (day += gap) }));
	});

describe('the general filter', () => {
	it('gives what the plain one gives, filtered and smoothed, whatever happens to the water', () => {
		fc.assert(
			fc.property(anyStory, (story) => {
				const timeline = timelineOf(story);
				const model = { startDay: 0, prior, flowPerDay: 0, ...wander };
				const track = emptyTrack(timeline.length);
				filterLevelRate(timeline, model, track);
				const adjoint = adjointOf(timeline, model, track);

				const items = story.flatMap(asLinear);
				const general = filterLinear(
					{
						size: 2,
						couplings: [{ row: 0, column: 1, perDay: -1 }],
						wanderPerDay: Float64Array.of(wander.levelPerDay, wander.ratePerDay),
						mirrored: [],
						startDay: 0,
						mean: Float64Array.of(prior.level, prior.rate),
						covariance: Float64Array.of(
							prior.levelVariance,
							prior.covariance,
							prior.covariance,
							prior.rateVariance
						)
					},
					items
				);
				const back = new LinearAdjoint(general);
				const end = filteredAfter(general, items.length - 1);
				const last = timeline.length - 1;
				expect(end.mean[0]).toBeCloseTo(track.after.level[last]!, 7);
				expect(end.covariance[0]).toBeCloseTo(track.after.levelVariance[last]!, 7);
				story.forEach((item, i) => {
					if (story[i + 1]?.day === item.day) return;
					const plain = smoothedAt(track, adjoint, i);
					const belief = beliefAt(general, back, item.day);
					expect(belief.mean[0]).toBeCloseTo(plain.level, 6);
					expect(belief.mean[1]).toBeCloseTo(plain.rate, 6);
					expect(belief.covariance[0]).toBeCloseTo(plain.levelVariance, 6);
					expect(belief.covariance[3]).toBeCloseTo(plain.rateVariance, 6);
					const level = seenAt(general, back, item.day, [[0, 1]]);
					expect(level.mean).toBeCloseTo(belief.mean[0]!, 9);
					expect(level.variance).toBeCloseTo(belief.covariance[0]!, 9);
				});
			}),
			{ numRuns: 150, seed: 5 }
		);
	});
});
