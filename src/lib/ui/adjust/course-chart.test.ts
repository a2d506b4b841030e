import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { courseChart, type ChartPoint } from './course-chart';

const size = { width: 700, height: 260, left: 48, bottom: 40, top: 12 };
const point = (day: number, value: number, u = 0.1): ChartPoint => ({ day, value, u });

describe('the curve of a plan', () => {
	it('keeps everything inside, whatever is drawn', () => {
		const points = fc.array(
			fc.record({
				day: fc.integer({ min: -4, max: 40 }),
				value: fc.double({ min: 0.01, max: 1500, noNaN: true }),
				u: fc.double({ min: 0.001, max: 500, noNaN: true })
			}),
			{ minLength: 1, maxLength: 20 }
		);
		fc.assert(
			fc.property(points, points, points, (course, estimate, readings) => {
				const drawn = courseChart({ course, estimate, readings, band: null, aim: 8 }, size);
				for (const dot of drawn.dots) {
					expect(dot.x).toBeGreaterThanOrEqual(48 - 1e-6);
					expect(dot.x).toBeLessThanOrEqual(692 + 1e-6);
					expect(dot.y).toBeGreaterThanOrEqual(12 - 1e-6);
					expect(dot.y).toBeLessThanOrEqual(220 + 1e-6);
				}
				for (const pair of drawn.courseArea.split(' ').filter(Boolean)) {
					const y = Number(pair.split(',')[1]);
					expect(y).toBeGreaterThanOrEqual(12 - 1e-6);
					expect(y).toBeLessThanOrEqual(220 + 1e-6);
				}
				expect(drawn.ticks.length).toBeLessThan(12);
			})
		);
	});
	it('draws higher values higher and later days further right', () => {
		const drawn = courseChart(
			{
				course: [point(0, 7), point(4, 8)],
				estimate: [],
				readings: [point(1, 7.2), point(3, 7.7)],
				band: { low: 7.5, high: 9 },
				aim: 8.2
			},
			size
		);
		expect(drawn.dots[1]!.y).toBeLessThan(drawn.dots[0]!.y);
		expect(drawn.dots[1]!.x).toBeGreaterThan(drawn.dots[0]!.x);
		expect(drawn.slot!.from).toBeLessThan(drawn.slot!.to);
		expect(drawn.dayTicks[0]!.day).toBe(0);
		expect(drawn.estimateArea).toBe('');
	});
	it('leaves the field open where the band is', () => {
		const base = { course: [point(0, 7), point(4, 8)], estimate: [], readings: [], aim: 8 };
		const open = courseChart({ ...base, band: { low: null, high: 9 } }, size);
		expect(open.slot!.to).toBeCloseTo(220, 6);
		expect(courseChart({ ...base, band: { low: null, high: null } }, size).slot).toBeNull();
	});
	it('marks days less often the longer it takes', () => {
		const days = (last: number) =>
			courseChart(
				{ course: [point(0, 7), point(last, 8)], estimate: [], readings: [], band: null, aim: 8 },
				size
			).dayTicks.length;
		expect(days(5)).toBe(6);
		expect(days(10)).toBe(6);
		expect(days(20)).toBe(6);
		expect(days(60)).toBeLessThan(10);
	});
});
