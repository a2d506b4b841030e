/** Judges a whole water from its record, purely, for every view alike. */
export { judgeWater, type JudgedWater } from './judge.ts';
export type { JudgementSettings, LeftOut, PlannedTest, WaterRecord } from './record.ts';
export { estimateOf, standsStill, estimateSince, learnFrom } from './history.ts';
export type { EstimateToday, ParameterToday } from './row.ts';
export type { CycleToday } from './cycle.ts';
export { askedBy, suspectedIn, type OpenPanel } from './panels.ts';
export { factsAt } from './facts.ts';
/** What it asks for, and when it is tested next. */
export { mattersOf, type MatterToday } from './matters.ts';
export { rateMoves, type RateMove } from './moves/rate-moves.ts';
/** The water as a correction takes it. */
export { knownLevel, readingUOf, volumeOf, waterNow } from './known.ts';
