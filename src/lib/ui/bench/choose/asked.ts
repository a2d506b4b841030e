/** What another view asks the bench for; null where it asks for nothing. */
export interface BenchAsked {
	readonly method: string | null;
	readonly kit: string | null;
	readonly standard: string | null;
	/** What has happened, and tests to begin with, by their methods, so many times each. */
	readonly what?: string | null;
	readonly tests?: readonly string[];
	readonly times?: number;
	/** A named set, or "usual" for what is usually tested. */
	readonly set?: string | null;
}
