import { seededRandom } from '../../src/lib/core/numeric/index.ts';
import { eyeOf, priorOf } from '../../src/lib/core/practice/index.ts';
import { stopOf } from '../../src/lib/core/tank/index.ts';
import { CELL_SEEDS, readerOf } from './practice.ts';
import { percent, table } from './table.ts';

/** What could be believed beforehand of going astray: weights of one in 170, 33, 12 and 7 answers. */
const BELIEFS = [
	{ name: 'half as often', weights: [0.62, 0.24, 0.1, 0.04] },
	{ name: 'as it is', weights: [0.38, 0.28, 0.22, 0.12] },
	{ name: 'half as often again', weights: [0.22, 0.26, 0.28, 0.24] },
	{ name: 'twice as often', weights: [0.1, 0.2, 0.3, 0.4] }
] as const;
const SHARES = [0.006, 0.03, 0.08, 0.15] as const;
/** The two that pull against each other, and a third between. */
const READERS = [
	{ spread: 0.3, lapses: 0 },
	{ spread: 0.3, lapses: 0.05 },
	{ spread: 0.3, lapses: 0.1 },
	{ spread: 0.7, lapses: 0.1 }
] as const;
const AFTER = [10, 20] as const;

export interface BeliefCell {
	readonly belief: number;
	readonly reader: number;
	readonly vials: number;
	readonly runs: number;
	/** How often the interval of 95 % held the next stop. */
	readonly nextHeld: number;
}

/** The next stop of four readers, by what was believed of lapses beforehand; the same answers for each belief. */
export function beliefCells(runs: number, firstSeed: number): BeliefCell[] {
	return READERS.flatMap((of, reader) =>
		AFTER.flatMap((vials) => {
			const held = BELIEFS.map(() => 0);
			for (let run = 0; run < runs; run++) {
				const random = seededRandom(firstSeed + run + (reader + 1) * CELL_SEEDS + vials);
				const who = readerOf(0, of.spread, of.lapses);
				const answers = Array.from({ length: vials }, (_, n) => ({ error: stopOf(random, who, n) }));
				const next = stopOf(random, who, vials);
				BELIEFS.forEach(({ weights }, i) => {
					const eye = eyeOf({ ...priorOf(1), lapseWeights: weights }, answers);
					held[i]! += Number(next >= eye.next.lower && next <= eye.next.upper);
				});
			}
			return held.map((nextHeld, belief) => ({ belief, reader, vials, runs, nextHeld }));
		})
	);
}

export function beliefTable(cells: readonly BeliefCell[]): string {
	const readers = READERS.map(({ spread, lapses }) => `${spread}, ${percent(lapses)}`);
	return table(
		['believed to go astray', 'vials', ...readers],
		BELIEFS.flatMap(({ name, weights }, belief) =>
			AFTER.map((vials) => [
				`${name}: ${percent(SHARES.reduce((sum, share, k) => sum + share * weights[k]!, 0))}`,
				String(vials),
				...READERS.map((_, reader) => {
					const cell = cells.find((c) => c.belief === belief && c.reader === reader && c.vials === vials);
					return cell ? percent(cell.nextHeld / cell.runs) : '–';
				})
			])
		)
	);
}
