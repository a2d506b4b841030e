import { beliefTable, type BeliefCell } from './practice-beliefs.ts';
import type { StepCell, StopCell } from './practice.ts';
import { percent, table } from './table.ts';

export interface PracticeTables {
	readonly stops: readonly StopCell[];
	readonly pairs: readonly StepCell[];
	readonly beliefs: readonly BeliefCell[];
}

/** Wilson's interval of 95 % for a share. @see Wilson (1927), JASA 22, 209 */
function wilson(hits: number, of: number): readonly [number, number] {
	const z = 1.96;
	const p = hits / of;
	const middle = (p + (z * z) / (2 * of)) / (1 + (z * z) / of);
	const half = (z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))) / (1 + (z * z) / of);
	return [middle - half, middle + half];
}
/** A cell passes where its binomial interval meets the aim. */
const meets = (hits: number, of: number, low: number, high: number): boolean => {
	if (of === 0) return true;
	const [a, b] = wilson(hits, of);
	return b >= low && a <= high;
};
const AIM = [0.93, 0.97] as const;

function heldTable(stops: readonly StopCell[], of: 'biasHeld' | 'nextHeld' | 'ownHeld' | 'kitHeld'): string {
	const vials = [...new Set(stops.map((s) => s.vials))];
	const keys = [...new Set(stops.map((s) => `${s.spread}/${s.lapses}`))];
	const biases = [...new Set(stops.map((s) => s.bias))];
	return table(
		['spread', 'lapses', 'vials', ...biases.map((b) => `bias ${b}`)],
		keys.flatMap((key) =>
			vials.map((v) => {
				const [spread, lapses] = key.split('/').map(Number);
				return [
					String(spread),
					percent(lapses!),
					String(v),
					...biases.map((b) => {
						const cell = stops.find(
							(s) => s.bias === b && s.spread === spread && s.lapses === lapses && s.vials === v
						)!;
						const out = !meets(cell[of], cell.runs, ...AIM);
						return `${out && of !== 'kitHeld' ? '**' : ''}${percent(cell[of] / cell.runs)}${out && of !== 'kitHeld' ? '**' : ''}`;
					})
				];
			})
		)
	);
}

function summary(stops: readonly StopCell[], of: 'biasHeld' | 'nextHeld' | 'ownHeld'): string {
	const good = stops.filter((s) => meets(s[of], s.runs, ...AIM)).length;
	const shares = stops.map((s) => s[of] / s.runs);
	return `${good} of ${stops.length} cells meet the aim; ${percent(Math.min(...shares))} to ${percent(Math.max(...shares))}, ${percent(shares.reduce((a, b) => a + b, 0) / shares.length)} on average.`;
}

export function practiceReport({ stops, pairs, beliefs }: PracticeTables, firstSeed: number): string {
	const sum = (of: 'ownWidth' | 'kitWidth', cells: readonly StopCell[]) =>
		cells.reduce((s, c) => s + c[of], 0);
	const practised = stops.filter((s) => s.spread <= 0.3 && s.lapses === 0 && s.vials === 40);
	const runs = stops[0]?.runs ?? 0;
	return `# How well practice knows its readers

Made by \`npm run calibrate -- practice\`, seeds from ${firstSeed} on, ${runs} independent runs in each cell. The judging readers have what the
model lacks: stops with a tail towards too late (gamma, skewness 1), a bias that is 0.3 steps further off at first and fades over some eight
vials, a spread that grows by 0.3 % with each vial, lapses of 2 to 8 steps to either side. A cell passes where its binomial interval (Wilson,
95 %) meets 93 to 97 %; those that do not are bold.

Those that fail are of two kinds, and pull against each other: a steady reader after few vials has intervals that are too wide, and one
who goes astray once in ten too narrow ones. Ten vials cannot tell the two apart (one in ten shows no lapse in 35 of 100 such readers); more
belief in lapses would mend the second and spoil the first: "What belief in lapses costs" has the figures. With forty vials nearly all meet the aim.

## The bias

${summary(stops, 'biasHeld')}

${heldTable(stops, 'biasHeld')}

## The next stop

${summary(stops, 'nextHeld')}

${heldTable(stops, 'nextHeld')}

### What belief in lapses costs

How often the interval of 95 % holds the next stop of a reader without bias, by what is believed beforehand of going astray: the columns are
spread and lapses. No row has all of them within 93 to 97 % after ten vials, so there is no such belief; the one in use lies between.

${beliefTable(beliefs)}

## At the bench afterwards

Alkalinity by syringe, with what was found used: the reader's real bias differs from that on the screen by 0.25 steps (standard deviation), the
real spread by a fifth; strength of the titrant and size of the sample lie anywhere within the kit's tolerances. Inside one's own interval:

${summary(stops, 'ownHeld')}

${heldTable(stops, 'ownHeld')}

Inside the kit's interval, which knows nothing of the reader:

${heldTable(stops, 'kitHeld')}

Practised readers (spread 0.3 steps, no lapses, 40 vials): their own intervals are ${Math.round(100 * (1 - sum('ownWidth', practised) / sum('kitWidth', practised)))} % narrower on average than the kit's.
What the kit assumes, a spread of one step, is about what a reader with a spread of 0.7 comes to, once the screen's own uncertainty is in it; whoever
goes astray now and then has wider intervals, since twice their uncertainty holds 95 % of what they do, lapses and all.

${table(
	['spread', 'lapses', 'own over kit, 10 vials', '20', '40'],
	[...new Set(stops.map((s) => `${s.spread}/${s.lapses}`))].map((key) => {
		const [spread, lapses] = key.split('/').map(Number);
		const of = (v: number) =>
			stops.filter((s) => s.spread === spread && s.lapses === lapses && s.vials === v);
		return [
			String(spread),
			percent(lapses!),
			...[10, 20, 40].map((v) => (sum('ownWidth', of(v)) / sum('kitWidth', of(v))).toFixed(2))
		];
	})
)}

## Pairs of colour steps

Eyes of four kinds (the usual, and one kind of cone weaker by half to wholly), noise from 1.5 to 55 in CIEDE2000, each pair nearer or further
than its swatches by a quarter. Not told: right in under 60 % of answers; told: above 90 %. The aim: of the first at least 90 % found, of the
second under 5 % accused, within 40 questions. A cell passes where its binomial interval meets the aim.

${table(
	['row', 'eye', 'pairs not told', 'found', 'pairs told', 'accused', 'questions'],
	pairs.map((p) => [
		p.row,
		p.vision,
		String(p.untold),
		p.untold === 0 ? '–' : mark(percent(p.found / p.untold), meets(p.found, p.untold, 0.9, 1)),
		String(p.told),
		p.told === 0 ? '–' : mark(percent(p.accused / p.told), meets(p.accused, p.told, 0, 0.05)),
		(p.questions / p.runs).toFixed(1)
	])
)}
`;
}

const mark = (text: string, good: boolean) => (good ? text : `**${text}**`);
