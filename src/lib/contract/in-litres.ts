import { typedNumber } from '$lib/core/numeric';
import { convert } from '$lib/core/quantity';

/** What goes along with a volume that was typed in another unit. */
const UNIT_SUFFIX = '.unit';
const US_GALLON = 'us-gallon';

/** A form, or the question of an address. */
type Fields = Pick<URLSearchParams, 'get' | 'set' | 'delete' | 'keys'>;

/**
 * Turns volumes that came in another unit into litres, in place: beyond this only litres are known. What is no number
 * stays as it was typed, to be refused by the name of its field.
 */
export function intoLitres(fields: Fields | FormData): void {
	for (const key of [...fields.keys()].filter((k) => k.endsWith(UNIT_SUFFIX))) {
		const name = key.slice(0, -UNIT_SUFFIX.length);
		if (fields.get(key) !== US_GALLON) continue;
		const typed = fields.get(name);
		const value = typeof typed === 'string' ? typedNumber(typed) : null;
		if (value !== null && !Number.isNaN(value)) {
			fields.set(name, String(Number(convert(value, US_GALLON, 'litre').toPrecision(12))));
		}
		fields.delete(key);
	}
}
