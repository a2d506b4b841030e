/** Something that can go wrong, with what must be advised then and what never may. */
export interface Situation {
	readonly what: string;
	readonly never: string;
	/** Runs the functions that the pages call, and tells what they advise. @throws where it could harm */
	readonly advised: () => string;
}

/** @throws {Error} where a situation is not met as it must be */
export function must(holds: boolean, what: string): void {
	if (!holds) throw new Error(what);
}
