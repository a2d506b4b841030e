import { USUAL_CYCLE } from '../../src/lib/core/judgement/index.ts';
import { PARAMETERS } from '../../src/lib/core/quantity/index.ts';
import { CYCLE_NATURES, type CycleRun } from './cycles.ts';
import { NEXT_TEST_KINDS, POLICIES, policyName, type NextTestRun } from './next-test.ts';
import { table } from './table.ts';
import { BIASES, WAYS, type VerdictTally } from './two-methods.ts';

export interface JudgementTables {
	readonly cycles: readonly CycleRun[];
	readonly next: readonly NextTestRun[];
	readonly methods: readonly VerdictTally[];
}

const percent = (share: number) => (100 * share).toFixed(1);
const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / Math.max(1, list.length);
const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

function cycleTable(runs: readonly CycleRun[]): string {
	const row = (name: string, own: readonly CycleRun[]) => {
		const clear = own.filter((r) => r.clearFrom !== null && r.nature !== 'never-begins');
		const late = clear.flatMap((r) => (r.doneOn === null ? [] : [r.doneOn - r.clearFrom!]));
		return [
			name,
			String(own.length),
			String(own.filter((r) => r.wronglyDone > 0).length),
			String(clear.length),
			String(late.length),
			middle(late)?.toFixed(1) ?? '–',
			late.length > 0 ? Math.max(...late).toFixed(1) : '–'
		];
	};
	return table(
		[
			'tank',
			'cycles',
			'ever done while nitrite was above the card’s sight',
			'nitrite stays clear',
			'of these called done',
			'days after the truth, median',
			'most'
		],
		[
			row('**all**', runs),
			...CYCLE_NATURES.map((nature) =>
				row(
					nature,
					runs.filter((r) => r.nature === nature)
				)
			)
		]
	);
}

function nextTable(runs: readonly NextTestRun[]): string {
	const parameters = [...new Set(runs.map((r) => r.parameter))];
	const cell = (own: readonly NextTestRun[]) => [
		mean(own.map((r) => r.tests)).toFixed(0),
		mean(own.map((r) => r.daysOutside)).toFixed(1),
		mean(own.map((r) => r.unseen)).toFixed(1)
	];
	const rows = NEXT_TEST_KINDS.flatMap((kind) =>
		POLICIES.map(policyName).map((policy) => {
			const own = runs.filter((r) => r.kind === kind && r.policy === policy);
			const each = parameters.map((p) => cell(own.filter((r) => r.parameter === p)));
			const total = [0, 1, 2].map((i) => each.reduce((sum, c) => sum + Number(c[i]), 0).toFixed(0));
			return [kind, policy, ...each.map((c) => c.join(' / ')), total.join(' / ')];
		})
	);
	return table(
		['tank', 'tested', ...parameters.map((p) => PARAMETERS[p].name.toLowerCase()), 'together'],
		rows
	);
}

function methodsTable(tallies: readonly VerdictTally[]): string {
	return table(
		[
			'compared',
			'bias, dKH',
			'in u of the mean',
			'agree, %',
			'differ, %',
			'cannot tell, %',
			'wrong, %',
			'right, %'
		],
		WAYS.flatMap(({ name }) =>
			BIASES.map((bias) => {
				const t = tallies.find((own) => own.how === name && own.bias === bias)!;
				const share = (n: number) => percent(n / t.runs);
				return [
					name,
					String(bias),
					t.inU.toFixed(1),
					share(t.said.agree),
					share(t.said.differ),
					share(t.said['cannot-tell']),
					share(t.wrong),
					share(t.right)
				];
			})
		)
	);
}

/** The tables on cycles, on when to test next and on two methods, as the document in docs. */
export function judgementReport({ cycles, next, methods }: JudgementTables, firstSeed: number): string {
	return `# How well the judgements know what they say

Made by \`npm run calibrate\` (these tables alone: \`npm run calibrate -- judgement\`); seeds from ${firstSeed} on, others than
those the conventions were chosen with.

## The cycle of a new tank

${cycles.length} simulated cycles of 80 days, followed with the ammonia and the nitrite card by keepers who forget up to one day in
seven and match colours with a standard deviation of 0.08 to 0.3 of a step. Some are slow, some stall with nitrite that
never goes, in some a second load brings it back, some never begin. Done asks for ${USUAL_CYCLE.clearDays} clear days in a row of both. The
card's sight is its first colour, 0.1 mg/L; the truth is the day from which nitrite stays at 0.03 mg/L or less.

${cycleTable(cycles)}

## When to test next

A year of tanks that drift, grow, miss doses and get weak ones (\`core/tank/ordinary-life\`), whose keeper brings a value
back to the aim, and sets the daily dose anew, when a test tells that it is outside. Each cell: tests / days outside the
band / days outside of which no test had told yet, mean of ${next.length / Math.max(1, NEXT_TEST_KINDS.length * POLICIES.length * 3)} years.

${nextTable(next)}

On the mixed reef a reckoned date at 0.2 spends fewer tests than a fixed week and leaves fewer days unseen, because it spends them on alkalinity,
which moves, and not on nitrate, which does not. The stony tank moves so fast that no week sees it; there more tests are spent, and
most excursions are seen that a week would miss. **The choice:** a growth of the chance by 0.2 between two tests is
accepted unless the keeper says otherwise; 0.1 and 0.05 see sooner and cost more, 0.3 and 0.4 the reverse; cheap and
quick tests take half of it, dear and long ones up to twice. Who likes a fixed weekly or fortnightly day keeps it.

## Do two methods agree?

Two methods of chance errors 0.12 and 0.16 dKH with a known bias between them; what matters is 0.4 dKH. Wrong is "differ" without a
bias, and "agree" with one that matters. Right is "agree" without one, "differ" with one, and "agree" while it is smaller
than what matters. One sample cannot tell a kit's own error from chance, so it mostly says that it cannot tell.

${methodsTable(methods)}
`;
}
