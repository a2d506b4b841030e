import { daysBetween, type Instant } from '../time/index.ts';
import type { MeterUnit, PurifiedFact, UnitPart, UnitStage } from './fact.ts';

export interface DatedFact {
	readonly at: Instant;
	readonly fact: PurifiedFact;
}

/**
 * Dissolved solids as handheld meters show them, ppm to 1 µS/cm: half of the conductivity (the "NaCl" scale; others
 * take up to 0.7, which is why the unit is asked for).
 */
export const PPM_PER_US = 0.5;

/** Conductivity at 25 °C, µS/cm, of what the meter shows. @example conductivityOf(3, 'ppm') // 6 */
export function conductivityOf(value: number, unit: MeterUnit): number {
	return unit === 'ppm' ? value / PPM_PER_US : value;
}

/**
 * What purified water may show, µS/cm (husbandry convention): resin that is good gives 0 to 1; from 2 on it lets
 * through what is bound weakest first, silicate and nitrate, and is changed. A membrane holds back about 95 to 98 % of
 * what the tap brings; under 90 % it is worn, or its flush or its seal fails.
 */
export const PURE_US = 2;
export const LEAST_REJECTION = 0.9;

/** How long parts last at the most, days (husbandry convention; the maker's leaflet goes before). */
export const LASTS_DAYS: Readonly<Record<UnitPart, number>> = { prefilter: 183, membrane: 913, resin: 365 };

export type PartState =
	| { readonly kind: 'good' }
	/** Nobody ever said when it was changed. */
	| { readonly kind: 'unknown' }
	/** Its time is up. */
	| { readonly kind: 'old'; readonly days: number }
	/** The meter says that it is done. */
	| { readonly kind: 'done' };

export interface PurifiedPart {
	readonly part: UnitPart;
	readonly changedAt: Instant | null;
	/** When its time is up; null where nobody said when it was changed. */
	readonly dueAt: Instant | null;
	readonly state: PartState;
}

export interface PurifiedState {
	/** The newest reading at each place, µS/cm. */
	readonly readings: Readonly<Partial<Record<UnitStage, { readonly at: Instant; readonly us: number }>>>;
	/** Share of what the tap brings that the membrane holds back; null without both readings. */
	readonly rejection: number | null;
	/** Whether what comes out may be used; null as long as nobody has measured it, or only too long ago. */
	readonly isPure: boolean | null;
	readonly parts: readonly PurifiedPart[];
}

/** So long one reading is believed (husbandry convention): resin goes from good to done within weeks. */
export const BELIEVED_DAYS = 35;

const DAY_MS = 86_400_000;
/** Two readings further apart than this are not of one day's water: the tap changes through the year. */
const SAME_WATER_DAYS = 14;

/** What was impure stays so until it is measured again; what was pure is believed for a while. */
function isPureBy(
	resin: { readonly at: Instant; readonly us: number } | undefined,
	now: Instant,
	isOfThisResin: boolean
): boolean | null {
	if (!resin || !isOfThisResin) return null;
	if (resin.us >= PURE_US) return false;
	return daysBetween(resin.at, now) <= BELIEVED_DAYS ? true : null;
}

/**
 * How a site's purified water stands, from what was read and changed.
 *
 * @param facts of any order
 */
export function judgePurified(facts: readonly DatedFact[], now: Instant): PurifiedState {
	const readings: Partial<Record<UnitStage, { at: Instant; us: number }>> = {};
	const changed: Partial<Record<UnitPart, Instant>> = {};
	for (const { at, fact } of [...facts].sort((a, b) => a.at - b.at)) {
		if (fact.kind === 'changed') changed[fact.part] = at;
		else readings[fact.stage] = { at, us: conductivityOf(fact.value, fact.unit) };
	}
	const { tap, 'after-membrane': membrane, 'after-resin': resin } = readings;
	const together = tap && membrane && Math.abs(daysBetween(tap.at, membrane.at)) <= SAME_WATER_DAYS;
	const rejection = together && tap.us > 0 ? 1 - membrane.us / tap.us : null;
	// What was read before a part was changed says nothing of the new one.
	const isSince = (part: UnitPart, at: Instant | undefined) =>
		at !== undefined && at >= (changed[part] ?? -Infinity);
	const worn: Readonly<Record<UnitPart, boolean>> = {
		prefilter: false,
		membrane: rejection !== null && rejection < LEAST_REJECTION && isSince('membrane', membrane?.at),
		resin: resin !== undefined && resin.us >= PURE_US && isSince('resin', resin.at)
	};
	const partOf = (part: UnitPart): PurifiedPart => {
		const changedAt = changed[part] ?? null;
		const dueAt = changedAt === null ? null : ((changedAt + LASTS_DAYS[part] * DAY_MS) as Instant);
		const state: PartState = worn[part]
			? { kind: 'done' }
			: dueAt === null
				? { kind: 'unknown' }
				: dueAt <= now
					? { kind: 'old', days: Math.floor(daysBetween(changedAt!, now)) }
					: { kind: 'good' };
		return { part, changedAt, dueAt, state };
	};
	return {
		readings,
		rejection,
		isPure: isPureBy(resin, now, isSince('resin', resin?.at)),
		parts: (['prefilter', 'membrane', 'resin'] as const).map(partOf)
	};
}
