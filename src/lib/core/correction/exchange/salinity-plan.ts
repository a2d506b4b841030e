import { CONVENTIONS } from '../../caution/index.ts';
import { overDays } from '../dose/dose.ts';
import { saltFor, thinned } from './salinity.ts';

export interface SalinityDay {
	readonly day: number;
	readonly from: number;
	readonly to: number;
	/** Dry salt mix to dissolve in water that was taken out first, kg; 0 where salinity falls. */
	readonly saltKg: number;
	/** Water to take out and replace with fresh water, L; 0 where salinity rises. */
	readonly exchangeL: number;
}

/** Salt that a mix holds by mass; the rest is moisture (convention). */
export const MIX_SALT_FRACTION = CONVENTIONS.saltFraction.value;

/**
 * Salinity brought to an aim over days, none beyond the limit.
 *
 * @param limitPerDay null without animals: in one day
 * @param freshSalinity of the water that replaces what is taken out, where salinity is to fall
 */
export function salinityDays({
	from,
	aim,
	volumeL,
	temperatureC,
	limitPerDay,
	freshSalinity = 0,
	saltFraction = MIX_SALT_FRACTION
}: {
	readonly from: number;
	readonly aim: number;
	readonly volumeL: number;
	readonly temperatureC: number;
	readonly limitPerDay: number | null;
	readonly freshSalinity?: number;
	readonly saltFraction?: number;
}): SalinityDay[] {
	const { days, perDay } =
		limitPerDay === null
			? { days: from === aim ? 0 : 1, perDay: aim - from }
			: overDays(aim - from, limitPerDay);
	return Array.from({ length: days }, (_, day) => {
		const before = from + perDay * day;
		const after = from + perDay * (day + 1);
		return {
			day,
			from: before,
			to: after,
			saltKg: after > before ? saltFor({ salinity: before, volumeL, temperatureC }, after, saltFraction) : 0,
			exchangeL: after < before ? thinned(before, freshSalinity, after, volumeL).removeL : 0
		};
	});
}
