import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalDeviate, seededRandom } from '../../numeric/index.ts';
import { follow, sharedReason, type GivenDose } from '../index.ts';

const start = { value: 6.9, u: 0.06 };
const drift = { value: -0.02, u: 0.03 };
const origin = { start, drift, limitPerDay: 0.5 };
const doses: GivenDose[] = [0, 1, 2, 3, 4, 5].map((day) => ({ day: day + 0.4, rise: 0.35 }));
const answered = (share: number, days: readonly number[], moved = 0) =>
	days.map((day) => ({
		day,
		value:
			start.value +
			share * doses.reduce((sum, d) => sum + (d.day < day ? d.rise : 0), 0) +
			(drift.value + moved) * day,
		u: 0.08
	}));

describe('following a plan', () => {
	it('says nothing before there is a reading after a dose', () => {
		expect(follow(origin, doses, []).course).toBe('too-early');
		expect(follow(origin, [], answered(1, [3])).course).toBe('too-early');
		expect(follow(origin, doses, answered(1, [0])).course).toBe('too-early');
	});
	it('is on course where the water answers as it should', () => {
		const followed = follow(origin, doses, answered(1, [3, 6]));
		expect(followed.course).toBe('on-course');
		expect(followed.response.value).toBeCloseTo(1, 1);
		expect(Math.abs(followed.z!)).toBeLessThan(1);
	});
	it('notices a product that is a good deal weaker than its label, and how much', () => {
		const followed = follow(origin, doses, answered(0.65, [3, 6]));
		expect(followed.course).toBe('weaker');
		expect(Math.abs(followed.response.value - 0.65)).toBeLessThan(2 * followed.response.u);
	});
	it('notices one that is stronger', () => {
		expect(follow(origin, doses, answered(1.4, [3, 6])).course).toBe('stronger');
	});
	it('tells a changed use from a weak product where the doses are over', () => {
		const few: GivenDose[] = [{ day: 0.4, rise: 0.6 }];
		const readings = [2, 5, 8].map((day) => ({
			day,
			value: start.value + 0.6 + (drift.value - 0.2) * day,
			u: 0.08
		}));
		const followed = follow(origin, few, readings);
		expect(followed.course).toBe('use-changed');
		expect(followed.drift.value).toBeLessThan(-0.12);
	});
	it('is seldom wrong about an ordinary water', () => {
		const random = seededRandom(7);
		let noticed = 0;
		const runs = 400;
		for (let i = 0; i < runs; i++) {
			const share = normalDeviate(random, 1, 0.06);
			const readings = answered(share, [3, 6], normalDeviate(random, 0, drift.u)).map((r) => ({
				...r,
				value: r.value + normalDeviate(random, 0, r.u)
			}));
			if (follow(origin, doses, readings).course !== 'on-course') noticed++;
		}
		expect(noticed / runs).toBeLessThan(0.05);
	});
	it('answers in proportion: all doubled, nothing changes', () => {
		fc.assert(
			fc.property(fc.double({ min: 0.5, max: 1.5, noNaN: true }), (share) => {
				const one = follow(origin, doses, answered(share, [3, 6]));
				const two = follow(
					{
						start: { value: 2 * start.value, u: 2 * start.u },
						drift: { value: 2 * drift.value, u: 2 * drift.u },
						limitPerDay: 1
					},
					doses.map((d) => ({ ...d, rise: 2 * d.rise })),
					answered(share, [3, 6]).map((r) => ({ ...r, value: 2 * r.value, u: 2 * r.u }))
				);
				expect(two.response.value).toBeCloseTo(one.response.value, 9);
				expect(two.course).toBe(one.course);
			})
		);
	});
});

describe('what several parameters say together', () => {
	it('blames the volume where all answer alike', () => {
		const reason = sharedReason(
			[
				{ value: 0.8, u: 0.05 },
				{ value: 0.83, u: 0.06 }
			],
			200
		);
		expect(reason.kind).toBe('volume');
		expect(reason.kind === 'volume' && reason.volumeL.value).toBeGreaterThan(240);
	});
	it('blames the product that differs', () => {
		expect(
			sharedReason(
				[
					{ value: 0.7, u: 0.05 },
					{ value: 1.02, u: 0.05 }
				],
				200
			).kind
		).toBe('product');
	});
	it('cannot tell them apart by one', () => {
		const reason = sharedReason([{ value: 0.8, u: 0.05 }], 200);
		expect(reason).toMatchObject({ kind: 'either', volumeL: { value: expect.closeTo(250, 6) } });
	});
});
