import { convert, UNITS } from '$lib/core/quantity';
import { plain } from './number.ts';
import { reader } from './reader.ts';

/** "25 °C", "77 °F": a temperature beside a reading, as its reader has it. */
export function temperatureWords(celsius: number): string {
	const unit = reader().temperatures;
	return `${plain(Number(convert(celsius, 'celsius', unit).toFixed(2)))} ${UNITS[unit].symbol}`;
}
