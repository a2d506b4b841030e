/** Judgements that join parameters, as data: what has to be so, how strong it is, where one can read about it. */
export { type FactName, type Facts } from './facts.ts';
export { factsOf, type FactsGiven } from './facts-of.ts';
export { ReadingsInTime, type DatedReading, type ReadingsOf } from './readings-in-time.ts';
export { findingsOf, type Condition, type Finding, type Rule, type RuleStrength } from './rule.ts';
export { RULES, RULE_IDS, type RuleId } from './catalogue.ts';
