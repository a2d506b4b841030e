import { PARAMETERS } from '../../src/lib/core/quantity/index.ts';
import { TANK_KINDS } from '../../src/lib/core/tank/index.ts';
import { cellOf, type RunTally } from './coverage.ts';
import type { SlipRun } from './slips.ts';
import { sharesOf, type StepRun } from './steps.ts';
import { table } from './table.ts';

export interface Tables {
	readonly coverage: readonly RunTally[];
	readonly doubled: readonly RunTally[];
	readonly slips: readonly SlipRun[];
	readonly steps: readonly StepRun[];
}

const percent = (x: number) => (Number.isFinite(x) ? `${(100 * x).toFixed(1)}` : '–');
function coverageTable(tallies: readonly RunTally[]): string {
	const rows = TANK_KINDS.flatMap((kind) => {
		const own = tallies.filter((t) => t.kind === kind && !t.boundsOnly);
		return [...new Set(own.map((t) => t.parameter))].map((parameter) => {
			const cell = cellOf(own.filter((t) => t.parameter === parameter));
			return [
				kind,
				PARAMETERS[parameter].name.toLowerCase(),
				String(cell.runs),
				`${percent(cell.share)} ± ${percent(cell.error)}`,
				percent(cell.smoothed),
				cell.width.toPrecision(3),
				parameter === 'salinity' ? '–' : `${percent(cell.rateShare)} ± ${percent(cell.rateError)}`,
				parameter === 'salinity' ? '–' : cell.rateWidth.toPrecision(3),
				percent(cell.early)
			];
		});
	});
	return table(
		[
			'tank',
			'parameter',
			'runs',
			'level inside, %',
			'with hindsight, %',
			'mean width',
			'consumption inside, %',
			'mean width a day',
			'first 28 days, %'
		],
		rows
	);
}

function overall(tallies: readonly RunTally[]): string {
	const used = tallies.filter((t) => !t.boundsOnly);
	const levels = cellOf(used);
	const rates = cellOf(used.filter((t) => t.parameter !== 'salinity'));
	const bounds = tallies.filter((t) => t.boundsOnly);
	const apart =
		bounds.length > 0
			? ` Read as bounds only, apart: ${bounds.length} histories, ${percent(cellOf(bounds).share)} %.`
			: ' No history was of bounds only.';
	return `Overall: level ${percent(levels.share)} ± ${percent(levels.error)} %, consumption ${percent(rates.rateShare)} ± ${percent(rates.rateError)} %.${apart}`;
}

function slipTable(runs: readonly SlipRun[]): string {
	const line = (name: string, own: readonly SlipRun[]) => {
		const count = own.filter((r) => r.counts);
		const right = own.filter((r) => r.slip === null);
		return [
			name,
			String(own.length),
			String(own.filter((r) => r.slip !== null).length),
			String(count.length),
			percent(count.filter((r) => r.caught).length / count.length),
			percent(right.filter((r) => r.asked).length / right.length)
		];
	};
	const by = (pick: (r: SlipRun) => string | null) =>
		[...new Set(runs.flatMap((r) => pick(r) ?? []))].sort().map((name) =>
			line(
				name,
				runs.filter((r) => pick(r) === name)
			)
		);
	return table(
		['', 'runs', 'slips', 'that count', 'caught, %', 'right ones questioned, %'],
		[line('**all**', runs), ...by((r) => r.slip), ...by((r) => r.kit), ...by((r) => r.parameter)]
	);
}

function tradeOff(runs: readonly SlipRun[]): string {
	const count = runs.filter((r) => r.counts);
	const right = runs.filter((r) => r.slip === null);
	const share = (own: readonly SlipRun[], above: number) =>
		percent(own.filter((r) => r.slipped > above).length / own.length);
	return table(
		['asked above', 'slips asked about, %', 'right ones questioned, %'],
		[0.05, 0.1, 0.2, 0.35, 0.5, 0.7, 0.9].map((above) => [
			String(above),
			share(count, above),
			share(right, above)
		])
	);
}

function stepTable(runs: readonly StepRun[]): string {
	const rows = [1.25, 1.5, 2].flatMap((factor) =>
		[...new Set(runs.filter((r) => r.factor === factor).map((r) => r.parameter))].map((parameter) => {
			const { runs: n, within } = sharesOf(
				runs.filter((r) => r.factor === factor && r.parameter === parameter)
			);
			return [
				`+${Math.round((factor - 1) * 100)} %`,
				PARAMETERS[parameter].name.toLowerCase(),
				String(n),
				...within.map(([, share]) => percent(share))
			];
		})
	);
	return table(['step', 'parameter', 'runs', 'in 14 days, %', '30', '60'], rows);
}

/** All tables with what they mean, as the document in docs. */
export function reportOf(tables: Tables, firstSeed: number): string {
	const quiet = tables.steps.filter((r) => r.factor === 1);
	const alarms = quiet.reduce((sum, r) => sum + r.falseAlarms, 0) / Math.max(1, quiet.length);
	return `# How well the estimate knows what it says

Made by \`npm run calibrate\`; seeds from ${firstSeed} on, others than those the conventions were chosen with. The simulated
tanks and keepers are those of \`core/tank/ordinary-life\`: light and night, growth, a consumption that drifts by a quarter
of itself in a month, precipitation, feeding, evaporation, missed and weak doses, a volume that is off, kits that are off
by what they admit, a reader who drifts. None of it is read by the estimate.

## Does the 95 % interval hold the truth?

Every evening of a year the estimate from the readings so far is held against the true level (and, beside it, the estimate
made at the end of the year), consumption against the true mean of the last fortnight. Standard errors come from how runs
differ. Widths are of whole intervals, in the parameter's own unit.

${overall(tables.coverage)}

${coverageTable(tables.coverage)}

### With every disturbance doubled

${overall(tables.doubled)}

${coverageTable(tables.doubled)}

## Steps of a consumption

A reef with stony corals that use at least 1 dKH a day before the step, alkalinity tested twice a week, calcium,
nitrate and phosphate weekly, magnesium every two weeks, potassium every three. Found means told with a date within
14 days of the true one. Without a step ${alarms.toFixed(2)} false alarms came on a water and year (${quiet.length} years of alkalinity):
real drift of a quarter of itself in a month, now and then fast enough to look like a step.

${stepTable(tables.steps)}

## Slips

Three readings in a hundred carry a slip. One counts when it moves the result by more than four standard deviations of
(reading − prediction); caught means asked about, the true slip as first or second explanation. What is not caught stands in
the record as it was entered, and the estimate goes on with it.

${slipTable(tables.slips)}

### What asking more readily would cost

${tradeOff(tables.slips)}
`;
}
