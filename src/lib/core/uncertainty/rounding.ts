export interface KnownDigits {
	/** Decimal places that are worth showing, 0 or more. */
	readonly decimals: number;
	/** 10 where the last known digit is the tens', otherwise 1. */
	readonly step: number;
}

/**
 * How far a value is known: down to the first digit of its expanded uncertainty, one digit further where
 * that digit is a 1 (rounding 1.4 to 1 would lose 40 % of it).
 *
 * @param expandedUncertainty above 0, in the value's unit
 * @example knownDigits(0.47) // { decimals: 1, step: 1 }: 8.13 is shown as 8.1 ± 0.5
 */
export function knownDigits(expandedUncertainty: number): KnownDigits {
	if (!(expandedUncertainty > 0) || !Number.isFinite(expandedUncertainty)) {
		throw new RangeError(`expanded uncertainty must be above 0, not ${expandedUncertainty}`);
	}
	const rounded = Number(expandedUncertainty.toPrecision(2));
	const exponent = Math.floor(Math.log10(rounded) + 1e-12);
	const leading = Math.floor(rounded / 10 ** exponent + 1e-9);
	const place = leading === 1 ? exponent - 1 : exponent;
	return { decimals: Math.max(0, -place), step: 10 ** Math.max(0, place) };
}
