import type { ParameterId } from '../quantity/index.ts';

/** What a water holds, canonical units. */
export type Levels = Partial<Record<ParameterId, number>>;
