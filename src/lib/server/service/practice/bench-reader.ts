import type { StepNoteSeen } from '$lib/contract/practice-view';
import { learnedPriors, type SlipCounts, type SlipPriors } from '$lib/core/plausibility';
import { slipsInPractice, type ReaderDecision } from '$lib/core/practice';
import { readerDecisions, scaleTrialsOf } from '../../repository/practice.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';
import { readStepNotes } from './read-practice.ts';

export interface BenchReader {
	readonly decisions: readonly ReaderDecision[];
	readonly stepNotes: readonly StepNoteSeen[];
	/** The slips of a site and of this person together. */
	readonly slipPriors: (ofSite: SlipCounts) => SlipPriors;
}

/** What the bench knows of whoever reads. */
export async function readBenchReader(deps: Deps, scope: SiteScope): Promise<BenchReader> {
	const [all, stepNotes, trials] = await Promise.all([
		readerDecisions(deps.db, scope),
		readStepNotes(deps, scope),
		scaleTrialsOf(deps.db, scope, scope.membershipId)
	]);
	const own = slipsInPractice(trials);
	const mine = all.filter((d) => d.memberId === scope.membershipId);
	return {
		decisions: mine.map(({ subject, finding, from }) => ({ subject, finding, from })),
		stepNotes,
		slipPriors({ confirmed, readings }) {
			const kinds = [...new Set([...Object.keys(confirmed), ...Object.keys(own.confirmed)])];
			const both = Object.fromEntries(
				kinds.map((k) => {
					const kind = k as keyof typeof confirmed;
					return [kind, (confirmed[kind] ?? 0) + (own.confirmed[kind] ?? 0)];
				})
			);
			return learnedPriors(both, readings + own.readings);
		}
	};
}
