import type { RaisedParameter } from '$lib/core/correction';

/** What is to be raised, as its form has it. */
export interface GoalField {
	readonly parameter: RaisedParameter;
	/** In the person's unit, as text. */
	readonly aim: string;
	readonly now: string;
	readonly supplementId: string;
}
