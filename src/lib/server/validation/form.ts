const MOST_LETTERS = 40;

/**
 * A number as a person types it: a point or a comma before the decimals, spaces around it. Empty is null;
 * anything else that is no plain number is NaN, which every schema refuses.
 */
export function typedNumber(text: FormDataEntryValue | null): number | null {
	if (typeof text !== 'string' || text.trim() === '') return null;
	// No number that a person reads off anything is longer; a pasted book would keep the expression busy.
	if (text.length > MOST_LETTERS) return Number.NaN;
	const plain = text.trim().replace(',', '.');
	return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
}

export function typedText(text: FormDataEntryValue | null): string {
	return typeof text === 'string' ? text.trim() : '';
}

/** What was entered, to be shown again beside the fault. */
export function entered(form: FormData): Record<string, string> {
	return Object.fromEntries([...form].filter((e): e is [string, string] => typeof e[1] === 'string'));
}
