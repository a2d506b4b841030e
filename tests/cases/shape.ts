export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

export interface ReferenceCase {
	readonly op: string;
	readonly name: string;
	readonly given: Readonly<Record<string, Json>>;
	readonly expect: Readonly<Record<string, Json>>;
	readonly tolerance?: Readonly<Record<string, number>>;
	readonly source?: string;
}

/** What the core made of it, or that it refused. */
export type Outcome = { readonly refused: string } | { readonly values: Readonly<Record<string, Json>> };

/** `expect` is there for operations whose expectations are limits to hold, not values to give. */
export type Operation = (given: Given, expect: ReferenceCase['expect']) => Outcome;

export const values = (of: Readonly<Record<string, Json>>): Outcome => ({ values: of });
export const refused = (why: string): Outcome => ({ refused: why });

export class UnknownKey extends Error {}

/** Reads a case's inputs by name and type, and notices keys that nobody asked for. */
export class Given {
	readonly #given: Readonly<Record<string, Json>>;
	readonly #asked = new Set<string>();

	constructor(given: Readonly<Record<string, Json>>) {
		this.#given = given;
	}
	has(key: string): boolean {
		this.#asked.add(key);
		return this.#given[key] !== undefined;
	}
	number(key: string): number {
		const value = this.raw(key);
		if (typeof value !== 'number') throw new UnknownKey(`"${key}" is missing or no number`);
		return value;
	}
	numberOr(key: string, fallback: number): number {
		return this.has(key) ? this.number(key) : fallback;
	}
	/** A number, or null for an open side. */
	limit(key: string): number | null {
		const value = this.raw(key);
		return value === undefined || value === null ? null : this.number(key);
	}
	numbers(key: string): number[] {
		return (this.raw(key) as number[] | undefined) ?? [];
	}
	word<T extends string>(key: string, known: readonly T[], fallback?: T): T {
		const value = this.raw(key);
		if (value === undefined && fallback !== undefined) return fallback;
		const word = known.find((k) => k === value);
		if (word === undefined)
			throw new UnknownKey(`"${key}" is ${JSON.stringify(value)}, not one of ${known.join(', ')}`);
		return word;
	}
	flag(key: string): boolean {
		return this.raw(key) === true;
	}
	raw(key: string): Json | undefined {
		this.#asked.add(key);
		return this.#given[key];
	}
	unknownKeys(): string[] {
		return Object.keys(this.#given).filter((key) => !this.#asked.has(key));
	}
}
