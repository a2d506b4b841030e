import { refused, type Outcome } from '../shape.ts';

/** What the core refuses is a refusal of the case. */
export function tried(act: () => Outcome): Outcome {
	try {
		return act();
	} catch (error) {
		if (error instanceof RangeError) return refused(error.message);
		throw error;
	}
}
