import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instant } from '$lib/core/time';
import { eventMarks, isNotable, placeMarks, type TimeMark } from './marks';

const marks: fc.Arbitrary<TimeMark[]> = fc.array(
	fc.record({
		kind: fc.constantFrom('dose', 'water-change', 'failure', 'death', 'found'),
		at: fc.integer({ min: 0, max: 1000 }).map(instant),
		title: fc.string({ minLength: 3, maxLength: 30 }),
		words: fc.constant('words')
	})
);

describe('what happened, above the rows', () => {
	it('loses no mark that is in sight, and lays no words upon another mark', () => {
		fc.assert(
			fc.property(marks, (all) => {
				const placed = placeMarks(all, (at) => at, [100, 900]);
				expect(placed.flatMap((p) => p.marks)).toHaveLength(
					all.filter((m) => m.at >= 100 && m.at <= 900).length
				);
				const lanes = [placed.filter((p) => p.isNotable), placed.filter((p) => !p.isNotable)];
				for (const lane of lanes)
					for (const [i, p] of lane.entries()) {
						expect(p.marks.every((m) => isNotable(m) === p.isNotable)).toBe(true);
						if (i > 0) expect(p.x - lane[i - 1]!.x).toBeGreaterThanOrEqual(15);
					}
				const reach = (p: (typeof placed)[number]) => {
					const width = p.label.length * 6.6;
					return p.side === 'start' ? [p.x, p.x + width] : [p.x - width, p.x];
				};
				const named = lanes[0]!.filter((p) => p.label).map(reach);
				for (const [i, [from]] of named.entries()) {
					if (i > 0) expect(from!).toBeGreaterThanOrEqual(named[i - 1]![1]!);
				}
				for (const p of lanes[0]!.filter((q) => q.label)) {
					const [from, to] = reach(p);
					expect(lanes[0]!.filter((q) => q !== p && q.x > from! && q.x < to!)).toEqual([]);
					expect(from!).toBeGreaterThanOrEqual(100);
					expect(to!).toBeLessThanOrEqual(900);
				}
			}),
			{ seed: 23 }
		);
	});
	it('is named by the first words of its note, cut where a word ends', () => {
		const [mark] = eventMarks([
			{
				id: '1',
				kind: 'failure',
				details: {},
				note: 'The return pump stood still from Friday night on; restarted by hand',
				happenedAt: instant(5)
			}
		]);
		expect(mark).toMatchObject({ title: 'The return pump stood still …' });
		expect(mark!.words).toContain('restarted by hand');
	});
});
