import { knownDigits } from '$lib/core/uncertainty';
import { reader } from './reader.ts';

/** A fixed number of decimals, a true minus sign, the reader's decimal mark, no grouping: as instruments show it. */
export function fixed(value: number, decimals: number): string {
	const text = Math.abs(value).toFixed(decimals);
	const signed = value < 0 && Number(text) !== 0 ? `−${text}` : text;
	return reader().decimals === 'comma' ? signed.replace('.', ',') : signed;
}

/** A large count; its thousands stand apart by a narrow space, which no reader takes for a decimal mark. */
export function grouped(count: number): string {
	return String(Math.round(count)).replace(/\B(?=(\d{3})+$)/g, '\u202f');
}

export interface Measured {
	readonly value: string;
	readonly plusMinus: string;
}

/** Digits beyond these say nothing of any water, whoever stored them. */
const MOST_DECIMALS = 12;

/**
 * A value with as many digits as its expanded uncertainty leaves standing. What an earlier version stored without a
 * number, or without an uncertainty, is shown as it is: the page on which it is put right must open.
 *
 * @example measured(8.131, 0.466) // { value: '8.1', plusMinus: '0.5' }
 */
export function measured(value: number, expandedUncertainty: number): Measured {
	if (!Number.isFinite(value)) return { value: 'no number', plusMinus: '0' };
	const rounds = expandedUncertainty > 10 ** -MOST_DECIMALS && expandedUncertainty < 1e15;
	if (!rounds) return { value: plain(value), plusMinus: expandedUncertainty >= 1e15 ? 'anything' : '0' };
	const { decimals, step } = knownDigits(expandedUncertainty);
	const rounded = (x: number) =>
		fixed(decimals > 0 ? x : Math.round(x / step) * step, Math.min(decimals, MOST_DECIMALS));
	return { value: rounded(value), plusMinus: rounded(expandedUncertainty) };
}

/** A limit as it was set: no digits added, none lost. */
export function plain(value: number): string {
	return fixed(value, Math.min(4, (String(Number(value.toPrecision(10))).split('.')[1] ?? '').length));
}

export function percent(share: number): string {
	if (share > 0 && share < 0.01) return 'under 1 %';
	if (share > 0.99) return 'over 99 %';
	return `${Math.round(share * 100)} %`;
}

/** A volume on a syringe: always two decimals, three between marks. */
export function millilitres(ml: number): string {
	const hundredths = ml * 100;
	return fixed(ml, Math.abs(hundredths - Math.round(hundredths)) < 1e-6 ? 2 : 3);
}
