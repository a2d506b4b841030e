import { typedNumber } from '$lib/core/numeric';
import { fail, ok, type Result } from '$lib/core/result';

/** A number in a field; null where it is empty or was not sent, NaN, which every schema refuses, where it is none. */
export function numberIn(text: FormDataEntryValue | null): number | null {
	return typeof text === 'string' ? typedNumber(text) : null;
}

export function typedText(text: FormDataEntryValue | null): string {
	return typeof text === 'string' ? text.trim() : '';
}

/**
 * One of the words that a field can hold; nothing sent is the usual one. Any other word is refused: whoever sent it
 * meant something else than what would be made of it.
 */
export function wordIn<W extends string>(
	form: FormData,
	name: string,
	words: readonly W[],
	usual: W
): Result<W> {
	const text = typedText(form.get(name));
	const word = text === '' ? usual : words.find((w) => w === text);
	return word === undefined ? fail('invalid-field', name, { rule: 'word' }) : ok(word);
}

/** Names and texts as a plain object; a name that every object has by itself would change what it is. */
export function plainEntries(entries: Iterable<[string, unknown]>): Record<string, string> {
	return Object.fromEntries(
		[...entries].filter((e): e is [string, string] => typeof e[1] === 'string' && !(e[0] in Object.prototype))
	);
}

/** What was entered, to be shown again beside the fault. */
export const entered = (form: FormData): Record<string, string> => plainEntries(form);
