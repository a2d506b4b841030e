import type { FactName, Facts } from './facts.ts';

/** How much weight a rule has: chemistry, long experience, or a hint. */
export type RuleStrength = 'strong' | 'moderate' | 'hint';

/** One thing that has to be so. Without a limit it is enough that the fact is known. */
export interface Condition {
	readonly fact: FactName;
	readonly from?: number;
	readonly to?: number;
}

/** A judgement that joins several parameters. Its words stand in `format/rules`. */
export interface Rule<Id extends string = string> {
	readonly id: Id;
	readonly strength: RuleStrength;
	/** The help topic in which more can be read about it. */
	readonly readAbout: string;
	/** About what was read at a time, and so to be found in the past as well; the others are about now. */
	readonly ofReadings?: true;
	/** All of these. */
	readonly when: readonly Condition[];
	/** None of these: what would explain it otherwise, or is the case already. A fact not known is not the case. */
	readonly unless?: readonly Condition[];
}

/** A rule that speaks, with the facts that made it. */
export interface Finding<Id extends string = string> {
	readonly rule: Id;
	readonly strength: RuleStrength;
	readonly facts: Facts;
}

function holds({ fact, from = -Infinity, to = Infinity }: Condition, facts: Facts): boolean {
	const value = facts[fact];
	return value !== undefined && value >= from && value <= to;
}

const WEIGHT: Readonly<Record<RuleStrength, number>> = { strong: 2, moderate: 1, hint: 0 };

/** The rules that speak on the facts, the strongest first, without those that are switched off. */
export function findingsOf<Id extends string>(
	rules: readonly Rule<Id>[],
	facts: Facts,
	off: ReadonlySet<string>
): readonly Finding<Id>[] {
	return rules
		.filter(
			(rule) =>
				!off.has(rule.id) &&
				rule.when.every((c) => holds(c, facts)) &&
				!(rule.unless ?? []).some((c) => holds(c, facts))
		)
		.map((rule) => ({
			rule: rule.id,
			strength: rule.strength,
			facts: Object.fromEntries(rule.when.map(({ fact }) => [fact, facts[fact]]))
		}))
		.sort((a, b) => WEIGHT[b.strength] - WEIGHT[a.strength]);
}
