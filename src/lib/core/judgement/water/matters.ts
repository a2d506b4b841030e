import { strangeMoves, type StrangeMove } from '../../correction/index.ts';
import type { DoubtfulReading } from '../../plausibility/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { addDays } from '../../time/index.ts';
import type { Departure } from '../../trend/index.ts';
import { COVERAGE } from '../../uncertainty/index.ts';
import {
	aimOf,
	type Band,
	type Finding,
	type FreeAmmonia,
	type Going,
	type Grade,
	type RuleId,
	type RuleStrength,
	type RunOfSide,
	type Urgency,
	type Verdict
} from '../index.ts';
import type { JudgedWater } from './judge.ts';
import type { RateMove } from './moves/rate-moves.ts';
import type { OpenPanel } from './panels.ts';

/** Something that a water asks for; those with danger are never folded away. */
export type MatterToday = { readonly danger: boolean; readonly weight: number } & (
	| {
			readonly kind: 'verdict';
			readonly parameter: ParameterId;
			readonly verdict: Verdict;
			readonly going: Going;
			readonly urgency: Urgency;
			readonly early: boolean;
			/** The verdict of the last reading alone, where there is no estimate. */
			readonly single: boolean;
	  }
	| { readonly kind: 'free-ammonia'; readonly free: FreeAmmonia }
	| { readonly kind: 'strange-move'; readonly move: StrangeMove }
	| { readonly kind: 'panel'; readonly panel: OpenPanel }
	| { readonly kind: 'finding'; readonly finding: Finding<RuleId> }
	| { readonly kind: 'run'; readonly parameter: ParameterId; readonly run: RunOfSide }
	| { readonly kind: 'doubt'; readonly doubt: DoubtfulReading }
	| { readonly kind: 'move'; readonly move: RateMove }
	| { readonly kind: 'departure'; readonly departure: Departure }
	| { readonly kind: 'cycle'; readonly what: 'first-zero' | 'done' | 'came-back' | 'in-doubt' }
);

/** How pressing a grade is. */
const GRADE_WEIGHT: Readonly<Record<Grade, number>> = {
	inside: 0,
	'probably-inside': 0,
	'cannot-tell': 12,
	'probably-outside': 45,
	outside: 60,
	'far-outside': 80
};
const RULE_WEIGHT: Readonly<Record<RuleStrength, number>> = { strong: 50, moderate: 30, hint: 6 };
/** A verdict of a reading older than this is no news. */
const VERDICT_DAYS = 45;
const CYCLE_NEWS_DAYS = 4;

type Judged = Pick<
	JudgedWater,
	'water' | 'now' | 'rows' | 'findings' | 'free' | 'panels' | 'cycle' | 'estimates' | 'events'
>;

/** Findings that say why a value is off take the place of the verdict on it. */
function explained(findings: Judged['findings']): ReadonlySet<string> {
	return new Set(
		findings.flatMap(({ rule }) => {
			const ion = /^(calcium|magnesium|potassium)-/.exec(rule)?.[1];
			if (ion) return [ion];
			return rule === 'salt-builds-up' || rule === 'salt-runs-down' ? ['salinity-run'] : [];
		})
	);
}

function verdicts({ water, now, rows, findings }: Judged): MatterToday[] {
	const told = explained(findings);
	return rows.flatMap((row): MatterToday[] => {
		const { parameter, estimate, single, urgency, early, asOutside: danger, going, run } = row;
		const verdict = estimate?.verdict ?? single;
		const found: MatterToday[] = [];
		const weight = verdict?.grade ? GRADE_WEIGHT[verdict.grade] : 0;
		// In a tank that cycles, ammonia and nitrite are followed by the cycle.
		const cycles = water.profile === 'cycling' && (parameter === 'ammonia' || parameter === 'nitrite');
		const lately = danger || row.last.at >= addDays(now, -VERDICT_DAYS);
		if (verdict && weight > 0 && !told.has(parameter) && !cycles && lately) {
			found.push({
				kind: 'verdict',
				parameter,
				verdict,
				going,
				urgency,
				early,
				single: estimate === null,
				danger,
				weight: weight + (early ? 15 : 0) + (going === 'worse' ? 8 : going === 'better' ? -8 : 0)
			});
		} else if (run && isNews(run, row.band) && !told.has(`${parameter}-run`) && weight === 0) {
			found.push({ kind: 'run', parameter, run, danger: false, weight: 10 + Math.min(10, run.count) });
		}
		return found;
	});
}

/** A run is told while it is new, and where its readings lie at least half-way to the limit of the band. */
const LONGEST_NEWS = 10;

function isNews(run: RunOfSide, band: Band | null): boolean {
	const limit = run.side === 'high' ? band?.high : band?.low;
	if (!band || limit == null || run.count > LONGEST_NEWS) return false;
	return Math.abs(run.distance) >= Math.abs(limit - (aimOf(band) ?? limit)) / 2;
}

function cycleMatters({ cycle, now, water }: Judged): MatterToday[] {
	if (!cycle || water.profile !== 'cycling') return [];
	const { state } = cycle;
	const matter = (what: Extract<MatterToday, { kind: 'cycle' }>['what'], weight: number): MatterToday => ({
		kind: 'cycle',
		what,
		danger: false,
		weight
	});
	if (state.doneAt !== null) return [matter('done', 58)];
	const tracks = [state.ammonia, state.nitrite];
	if (tracks.some((t) => t?.inDoubt)) return [matter('in-doubt', 48)];
	if (tracks.some((t) => t?.cameBack && t.clearDays === 0)) return [matter('came-back', 52)];
	const zero = state.nitrite?.firstZeroAt ?? null;
	return zero !== null && zero >= addDays(now, -CYCLE_NEWS_DAYS) && state.nitrite!.clearDays > 0
		? [matter('first-zero', 46)]
		: [];
}

/** All that a water asks for, in no order. */
export function mattersOf(
	judged: Judged,
	doubts: readonly DoubtfulReading[],
	moves: readonly RateMove[]
): readonly MatterToday[] {
	const { water, free, panels, findings, estimates } = judged;
	const matters: MatterToday[] = verdicts(judged);
	if (free && free.urgency !== 'none') {
		matters.push({
			kind: 'free-ammonia',
			free,
			danger: water.hasAnimals,
			weight: free.urgency === 'act' ? 95 : 62
		});
	}
	for (const move of strangeMoves(judged)) {
		matters.push({ kind: 'strange-move', move, danger: water.hasAnimals, weight: 90 });
	}
	for (const panel of panels) {
		const death = panel.happening === 'death';
		matters.push({ kind: 'panel', panel, danger: death && water.hasAnimals, weight: death ? 85 : 42 });
	}
	for (const finding of findings) {
		// The two are said once: by the estimate, with its numbers.
		if (finding.rule === 'alkalinity-without-calcium' && estimates.departure) continue;
		const danger = finding.rule === 'buffer-runs-out' && water.hasAnimals;
		matters.push({ kind: 'finding', finding, danger, weight: RULE_WEIGHT[finding.strength] });
	}
	for (const doubt of doubts) {
		// What is not settled may be true: it is read again before anything else is done by it.
		matters.push({ kind: 'doubt', doubt, danger: false, weight: doubt.settled ? 40 : 70 });
	}
	// What bacteria make of each other in a new tank is no use of the water's.
	for (const move of water.profile === 'cycling' ? [] : moves)
		matters.push({ kind: 'move', move, danger: false, weight: 35 });
	if (estimates.departure && Math.abs(estimates.departure.z) >= COVERAGE) {
		matters.push({ kind: 'departure', departure: estimates.departure, danger: false, weight: 32 });
	}
	return [...matters, ...cycleMatters(judged)];
}
