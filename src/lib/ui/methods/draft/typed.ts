import { typedNumber } from '$lib/core/numeric';
import { fail, ok, type Result } from '$lib/core/result';
import type { Method } from '$lib/core/method';
import type { MethodText } from './method-text';

/** What is typed, and the method it is adapted from: whatever was not touched stays as it is there. */
export interface Draft {
	readonly text: MethodText;
	/** Null for a new kit, and where kind or parameter were changed. */
	readonly base: Method | null;
	readonly typedBase: MethodText | null;
}

/** True where none of the fields was changed from what the method said that is adapted. */
export function sameIn<T>(now: T, before: T | null | undefined, ...fields: readonly (keyof T)[]): boolean {
	return before != null && fields.every((f) => JSON.stringify(now[f]) === JSON.stringify(before[f]));
}

export const untouched = ({ text, typedBase }: Draft, ...fields: readonly (keyof MethodText)[]): boolean =>
	sameIn(text, typedBase, ...fields);

/** A number above zero that must be there. */
export function positive(text: string, field: string): Result<number> {
	const value = typedNumber(text) ?? Number.NaN;
	if (Number.isNaN(value)) return fail('not-a-number', field);
	return value > 0 ? ok(value) : fail('invalid-field', field, { rule: 'above', limit: 0 });
}

/** A number that must be there, of whatever sign. */
export function someNumber(text: string, field: string): Result<number> {
	const value = typedNumber(text);
	return value === null || Number.isNaN(value) ? fail('not-a-number', field) : ok(value);
}

/** A number that is zero or more; `or` where nothing was typed. */
export function atLeastZero(text: string, field: string, or: number): Result<number> {
	if (text.trim() === '') return ok(or);
	const value = typedNumber(text) ?? Number.NaN;
	if (Number.isNaN(value)) return fail('not-a-number', field);
	return value >= 0 ? ok(value) : fail('below-zero', field);
}

/** A share typed in percent. */
export function shareOf(percent: string, field: string, or: number): Result<number> {
	const typed = atLeastZero(percent, field, 100 * or);
	if (!typed.ok) return typed;
	if (typed.value > 50) return fail('beyond-scale', field, { least: 0, most: 50, unit: '%' });
	return ok(Number((typed.value / 100).toPrecision(12)));
}

/** A number as it would be typed, without the dust of binary fractions; nothing where there is none. */
export function typedOrNot(x: number | null | undefined): string {
	return x == null ? '' : String(Number(x.toPrecision(12)));
}

/** All of them, or the first that failed. */
export function every<T extends Readonly<Record<string, Result<unknown>>>>(
	parts: T
): Result<{ readonly [K in keyof T]: T[K] extends Result<infer V> ? V : never }> {
	const values: Record<string, unknown> = {};
	for (const [name, part] of Object.entries(parts)) {
		if (!part.ok) return part;
		values[name] = part.value;
	}
	return ok(values as { readonly [K in keyof T]: T[K] extends Result<infer V> ? V : never });
}
