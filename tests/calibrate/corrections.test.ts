import { describe, expect, it } from 'vitest';
import { correctionRun, type CorrectionRun, type World } from './corrections.ts';

/** A small share of what `npm run calibrate` makes its table from, with seeds of its own. */
const SEEDS = Array.from({ length: 36 }, (_, i) => 7000 + i);
const runsIn = (world: World): CorrectionRun[] => SEEDS.flatMap((seed) => correctionRun(seed, world) ?? []);
const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;

describe('wrong waters, brought back by following the plans', () => {
	const ordinary = runsIn('ordinary');
	const weak = runsIn('weak and large');
	it('arrive in their band', () => {
		expect(ordinary.length).toBeGreaterThan(15);
		const arrived = (runs: readonly CorrectionRun[]) => runs.filter((r) => r.daysToBand !== null).length;
		expect(arrived(ordinary) / ordinary.length).toBeGreaterThan(0.85);
		expect(arrived(weak) / weak.length).toBeGreaterThan(0.8);
	});
	it('change by the plan’s own steps within a day’s limit', () => {
		const days = [...ordinary, ...weak].reduce((sum, r) => sum + r.daysWithDoses, 0);
		const over = [...ordinary, ...weak].flatMap((r) => r.excesses);
		expect(over.length / days).toBeLessThan(0.02);
	});
	it('say more often that something is wrong where something is', () => {
		expect(mean(weak.map((r) => r.evidence))).toBeGreaterThan(2 * mean(ordinary.map((r) => r.evidence)));
		expect(ordinary.filter((r) => r.noticed).length / ordinary.length).toBeLessThan(0.2);
	});
	it('go the same way for the same seed', () => {
		expect(correctionRun(SEEDS[0]!, 'ordinary')).toEqual(correctionRun(SEEDS[0]!, 'ordinary'));
	});
});
