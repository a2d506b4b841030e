import { describe, expect, it } from 'vitest';
import { stepCell, stopCells } from './practice.ts';

/** A small share of what `npm run calibrate -- practice` makes its tables from, with seeds of its own. */
describe('practice on simulated readers', () => {
	it('holds bias and next stop of readers it has no model of, and their results at the bench', () => {
		for (const [bias, spread, lapses] of [
			[-1, 0.7, 0.05],
			[2, 0.3, 0],
			[0, 2, 0.1]
		] as const) {
			const [, , after] = stopCells(bias, spread, lapses, 120, 1);
			for (const held of [after!.biasHeld, after!.nextHeld, after!.ownHeld]) {
				expect(held / after!.runs, `${bias} ${spread} ${lapses}`).toBeGreaterThan(0.86);
			}
		}
	}, 60_000);
	it('narrows the intervals of a practised reader by a quarter, and widens those of an unsteady one', () => {
		const width = (spread: number) => {
			const [, , after] = stopCells(0.5, spread, 0, 60, 2);
			return after!.ownWidth / after!.kitWidth;
		};
		expect(width(0.3)).toBeLessThan(0.75);
		expect(width(2)).toBeGreaterThan(1.3);
	}, 60_000);
	it('leaves a late reader outside the kit’s own interval far too often: that is what it is for', () => {
		const [, , after] = stopCells(2, 0.7, 0, 120, 3);
		expect(after!.kitHeld / after!.runs).toBeLessThan(0.8);
	}, 60_000);
	it('finds pairs that an eye cannot tell, and accuses few that it can', () => {
		const cell = stepCell('no3-card', 'usual', 25, 4);
		expect(cell.found / Math.max(1, cell.untold)).toBeGreaterThan(0.75);
		expect(cell.accused / cell.told).toBeLessThan(0.08);
		expect(cell.questions / cell.runs).toBeLessThanOrEqual(40);
	}, 60_000);
});
