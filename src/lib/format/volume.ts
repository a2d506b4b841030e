import { typedNumber } from '$lib/core/numeric';
import { convert } from '$lib/core/quantity';
import { plain } from './number.ts';
import { reader } from './reader.ts';

/** In which unit a reader has the volumes of waters; doses stay in mL. */
export const READERS_UNIT = { litres: 'litre', 'us-gallons': 'us-gallon' } as const;
const SYMBOL = { litres: 'L', 'us-gallons': 'US gal' } as const;

export const volumeSymbol = (): string => SYMBOL[reader().volumes];

const converted = (litres: number, digits: number): number => {
	const { volumes } = reader();
	return volumes === 'litres'
		? litres
		: Number(convert(litres, 'litre', READERS_UNIT[volumes]).toPrecision(digits));
};

/** Litres in the reader's unit, to three digits where they had to be converted. */
export const inReadersVolume = (litres: number): number => converted(litres, 3);

/** What was typed in another unit has digits that nobody poured. */
const poured = (litres: number) => (litres < 0.1 ? litres : Math.round(litres * 100) / 100);

/** "560 L", "148 US gal" */
export function litresWords(litres: number): string {
	return `${plain(inReadersVolume(poured(litres)))} ${volumeSymbol()}`;
}

/** Litres that stand in a field, in the reader's unit, as they were typed: what is no number stays what it is. */
export function inReadersUnit(litres: string): string {
	const value = typedNumber(litres);
	if (value === null || Number.isNaN(value) || reader().volumes === 'litres') return litres;
	return plain(converted(value, 6));
}
