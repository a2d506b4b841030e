import { NOTICE_LOG_ODDS } from '../../src/lib/core/correction/index.ts';
import { PARAMETERS } from '../../src/lib/core/quantity/index.ts';
import { WORLDS, type CorrectionRun, type World } from './corrections.ts';
import { table } from './table.ts';

const WORLD_NAMES: Readonly<Record<World, string>> = {
	ordinary: 'ordinary: volume and strength within some per cent',
	'weak and large': 'product 20 % weak, volume 15 % larger than believed',
	'weak and small': 'product 20 % weak, volume 15 % smaller than believed'
};
const THRESHOLDS = [0.3, 0.7, 1, 1.4, 1.8, 2.2, 3];
const percent = (part: number, of: number) => (of === 0 ? '–' : ((100 * part) / of).toFixed(1));
const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
const worlds = Object.keys(WORLDS) as World[];

function reachedTable(runs: readonly CorrectionRun[]): string {
	const row = (name: string, own: readonly CorrectionRun[]) => {
		const reached = own.flatMap((r) => r.daysToBand ?? []);
		const doses = own.reduce((sum, r) => sum + r.daysWithDoses, 0);
		const over = own.reduce((sum, r) => sum + r.excesses.length, 0);
		return [
			name,
			String(own.length),
			percent(reached.length, own.length),
			middle(reached)?.toFixed(0) ?? '–',
			reached.length > 0 ? Math.max(...reached).toFixed(0) : '–',
			String(doses),
			percent(doses - over, doses),
			percent(own.filter((r) => r.noticed).length, own.length)
		];
	};
	return table(
		[
			'world',
			'cases',
			'in the band, %',
			'days, median',
			'most',
			'days with doses',
			'within the limit, %',
			'noticed, %'
		],
		worlds.flatMap((world) => {
			const own = runs.filter((r) => r.world === world);
			const parameters = [...new Set(own.map((r) => r.parameter))];
			return [
				row(`**${WORLD_NAMES[world]}**`, own),
				...parameters.map((p) =>
					row(
						PARAMETERS[p].name.toLowerCase(),
						own.filter((r) => r.parameter === p)
					)
				)
			];
		})
	);
}

function noticeTable(runs: readonly CorrectionRun[]): string {
	return table(
		['evidence asked for', ...worlds.map((w) => `said something, ${w}, %`)],
		THRESHOLDS.map((threshold) => [
			threshold === NOTICE_LOG_ODDS ? `**${threshold}**` : String(threshold),
			...worlds.map((world) => {
				const own = runs.filter((r) => r.world === world);
				return percent(own.filter((r) => r.evidence >= threshold).length, own.length);
			})
		])
	);
}

function excessList(runs: readonly CorrectionRun[]): string {
	const lines = runs.flatMap((r) =>
		r.excesses.map(
			(e) => `- ${r.world}, ${r.parameter}: ${(100 * e.share).toFixed(0)} % of the limit; ${e.cause}`
		)
	);
	return lines.length > 0 ? lines.join('\n') : 'None.';
}

/** The tables on corrections, as the document in docs. */
export function correctionsReport(runs: readonly CorrectionRun[], firstSeed: number): string {
	return `# How well corrections arrive

Made by \`npm run calibrate -- corrections\`; seeds from ${firstSeed} on, others than those the conventions were chosen with.

A reef (\`core/tank/ordinary-life\`, mixed or stony) is held at a wrong level by its keeper for two months, tested as usual,
then brought back by following the plans: a second reading, doses day by day, tests midway and at the end as often as the plan
asks, the rest planned anew after every test, the daily dose set anew with it. Three doses in a hundred are forgotten and
not caught up. The tank has a life that no plan reads: light, growth, wandering use, precipitation, water changes, a volume
and a strength that are not what is believed, kits that are off. In the band means: the water itself, for three days at
least. Within the limit is the net change by the plan's own steps in the water itself, over each day with a dose.

${reachedTable(runs)}

## Days beyond the limit

${excessList(runs)}

## When it is said that something is wrong

A plan weighs three explanations of its readings: all is ordinary; the water answers to doses otherwise than expected
(product or volume); its use has changed. It speaks when the best of the others is likelier by the evidence asked for (a
natural logarithm). The aim was 80 % noticed and at most 5 % false.

${noticeTable(runs)}

**The choice: ${NOTICE_LOG_ODDS}.** No threshold reaches the aim with these kits. A calcium kit reads to about 5 mg/L and a magnesium kit
to about 15: of a correction of 40 or 100 mg/L a shortfall of three tenths is two of its standard deviations, though the plan
reads up to three times where one reading could not tell. Of alkalinity the kit would tell it, but a stony tank's use wanders
as much within a plan of two weeks as the shortfall is large. Asking for less evidence would blame one good product in
ten. What matters for animals does not hang on it: the band is reached all the same, because the rest of a plan is planned from
the water and not from the label. Product and volume that are off in opposite ways (the last world) cancel: the dose does
nearly what it should, and hardly anything is to be noticed.
`;
}
