import { typedNumber } from '$lib/core/numeric';
import { plain } from './number.ts';
import { reader } from './reader.ts';

/** One to three digits that are no leading zero, a mark, three digits: decimals to some, thousands to others. */
const TWO_MEANINGS = { point: /^\s*[1-9]\d{0,2},\d{3}\s*$/, comma: /^\s*[1-9]\d{0,2}\.\d{3}\s*$/ };

/**
 * What stands beside a number whose mark the reader may have meant for thousands; empty where there is no doubt. Both
 * marks are decimal marks here: nothing that is read by hand has thousands and a mark.
 *
 * @example understood('1,025') // 'Understood as 1.025, not as 1025.'
 */
export function understood(text: string): string {
	if (!TWO_MEANINGS[reader().decimals].test(text)) return '';
	const value = typedNumber(text);
	return value === null || Number.isNaN(value)
		? ''
		: `Understood as ${plain(value)}, not as ${plain(value * 1000)}.`;
}
