/** No number that a person reads off anything is longer; a pasted book would keep the expression busy. */
const MOST_LETTERS = 40;

/**
 * A number as a person types it: a point or a comma before the decimals, a hyphen or a minus sign, spaces around it.
 *
 * @returns null where nothing was typed; NaN for anything else that is no plain number, "1e3" and "Infinity" among it
 * @example typedNumber(' 0,41 ') // 0.41
 */
export function typedNumber(text: string): number | null {
	if (text.length > MOST_LETTERS) return text.trim() === '' ? null : Number.NaN;
	const plain = text.trim().replace(',', '.').replace('−', '-');
	if (plain === '') return null;
	return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
}
