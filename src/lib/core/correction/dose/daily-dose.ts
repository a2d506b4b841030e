import { CALCIUM_PER_DKH } from '../../trend/index.ts';
import { isSeen } from '../follow/strange-move.ts';
import type { Known } from '../water-state.ts';
import { limewaterPerDay, saltResidue, SATURATED_LIMEWATER_MOL_PER_L } from './limewater.ts';
import { amountFor, effectOf, relativeUOf, riseIn, type Supplement } from './supplement.ts';

/** Ways to replace what corals use. */
export const SCHOOLS = ['two-part', 'limewater', 'reactor', 'water-changes', 'single-salts'] as const;
export type School = (typeof SCHOOLS)[number];

/** What is used in a day, canonical units, as net consumption. */
export interface DailyUse {
	readonly alkalinity: Known;
	readonly calcium: Known;
}

/** A dose a day that replaces what is used, with what volume, strength and use leave open (k = 2). */
export interface TunedDose {
	readonly perDay: number;
	readonly low: number;
	readonly high: number;
}

/**
 * The daily amount of a supplement that makes up for the use of a parameter.
 *
 * @param use canonical unit a day, net consumption; 0 or below needs nothing
 */
export function tunedDose(
	supplement: Supplement,
	parameter: 'alkalinity' | 'calcium',
	use: Known,
	volumeL: Known
): TunedDose {
	const perDay = amountFor(supplement, parameter, Math.max(0, use.value), volumeL.value);
	const each = riseIn(effectOf(supplement, 1, volumeL.value), parameter);
	const u = Math.hypot(use.u / each, perDay * Math.hypot(relativeUOf(supplement), volumeL.u / volumeL.value));
	return { perDay, low: Math.max(0, perDay - 2 * u), high: perDay + 2 * u };
}

/** One step of a daily dose towards what is used. */
export interface DailyStep {
	/** What the dose is to bring a day from now on, canonical unit. */
	readonly risePerDay: number;
	readonly how:
		/** What runs is what is used, as far as can be told. */
		| 'leave'
		| 'whole'
		/** As far as a day may change; then a test within two days, and the next step. */
		| 'part';
}

/**
 * How far a daily dose is set towards what is used: only for a difference that is seen, and never by more than a day
 * may change, because what looks like use may be a pump that stood.
 *
 * @param running what it brings now, canonical unit a day
 * @param limits what a day may change up and down; null where nothing holds it
 */
export function dailyStep(
	running: number,
	use: Known,
	limits: { readonly up: number | null; readonly down: number | null }
): DailyStep {
	const wanted = Math.max(0, use.value);
	const difference = wanted - running;
	const limit = difference > 0 ? limits.up : limits.down;
	if (running > 0 && !isSeen({ value: difference, u: use.u })) return { risePerDay: running, how: 'leave' };
	// What was never dosed is begun with what is used, as far as a day may change.
	if (limit === null || Math.abs(difference) <= limit) return { risePerDay: wanted, how: 'whole' };
	return { risePerDay: running + Math.sign(difference) * limit, how: 'part' };
}

export type Balance = 'balanced' | 'calcium-short' | 'alkalinity-short';

/**
 * Whether a daily pair brings calcium and alkalinity in the proportion of calcium carbonate; one that does not drives
 * them apart for as long as it runs.
 *
 * @param calciumPerDay mg/L that the pair brings
 * @param alkalinityPerDay dKH that it brings
 * @returns and by how much calcium drifts away a month at constant alkalinity, mg/L
 */
export function balanceOf(
	alkalinityPerDay: number,
	calciumPerDay: number
): { readonly balance: Balance; readonly calciumPerMonth: number } {
	const surplus = calciumPerDay - CALCIUM_PER_DKH * alkalinityPerDay;
	const size = CALCIUM_PER_DKH * alkalinityPerDay;
	const balance =
		Math.abs(surplus) <= OUT_OF_BALANCE * Math.max(size, 0.5)
			? 'balanced'
			: surplus < 0
				? 'calcium-short'
				: 'alkalinity-short';
	return { balance, calciumPerMonth: 30 * surplus };
}
/** A pair may be uneven by so much before it is called out of balance (convention). */
const OUT_OF_BALANCE = 0.15;

/**
 * Limewater for what evaporates.
 *
 * @returns what it can bring at most, and whether that is enough
 */
export function limewaterDose(
	use: DailyUse,
	volumeL: number,
	evaporatesL: number,
	molPerL = SATURATED_LIMEWATER_MOL_PER_L
): {
	readonly litresPerDay: number;
	readonly enough: boolean;
	readonly most: { readonly alkalinityDkh: number; readonly calciumMgPerL: number };
	readonly shortDkh: number;
} {
	const most = limewaterPerDay(evaporatesL, volumeL, molPerL);
	const perLitre = limewaterPerDay(1, volumeL, molPerL).alkalinityDkh;
	const wanted = Math.max(0, use.alkalinity.value) / perLitre;
	return {
		litresPerDay: Math.min(wanted, evaporatesL),
		enough: wanted <= evaporatesL * (1 + 1e-9),
		most,
		shortDkh: Math.max(0, use.alkalinity.value - most.alkalinityDkh)
	};
}

/**
 * What a calcium reactor brings: effluent richer than the water that feeds it. Its calcium follows by the stoichiometry
 * of calcium carbonate.
 *
 * @param effluentDkh and tankDkh alkalinity of what leaves it and of the water
 * @param mlPerMinute flow through it
 */
export function reactorDose(
	effluentDkh: number,
	tankDkh: number,
	mlPerMinute: number,
	volumeL: number
): { readonly alkalinityDkh: number; readonly calciumMgPerL: number } {
	if (!(volumeL > 0)) throw new RangeError(`a volume must be above 0 L, not ${volumeL}`);
	if (!(mlPerMinute >= 0)) throw new RangeError(`a flow is 0 or more, not ${mlPerMinute}`);
	const litresPerDay = (mlPerMinute * 60 * 24) / 1000;
	const alkalinityDkh = ((effluentDkh - tankDkh) * litresPerDay) / volumeL;
	return { alkalinityDkh, calciumMgPerL: CALCIUM_PER_DKH * alkalinityDkh };
}

/** The flow of a reactor that makes up for a use, mL a minute. @throws {RangeError} where its effluent is no richer */
export function reactorFlow(
	useDkhPerDay: number,
	effluentDkh: number,
	tankDkh: number,
	volumeL: number
): number {
	if (!(effluentDkh > tankDkh)) throw new RangeError('the effluent holds no more than the water');
	return (Math.max(0, useDkhPerDay) * volumeL * 1000) / (effluentDkh - tankDkh) / (60 * 24);
}

/**
 * Whether water changes alone hold a level, by what new water brings against what is used.
 *
 * @returns the level before each change in the long run
 */
export function heldByChanges(
	usePerDay: number,
	newWater: number,
	fraction: number,
	everyDays: number
): { readonly before: number; readonly after: number } {
	const used = usePerDay * everyDays;
	return { before: newWater - used / fraction, after: newWater - (used * (1 - fraction)) / fraction };
}

/** Creep of the salinity that is worth a word, PSU a month (convention). */
const TOLD_CREEP = 0.05;

/** What a daily pair of chlorides and sodium carbonates leaves in a month, and the change that takes it back. */
export function saltCreep(
	alkalinityDkhPerDay: number,
	{
		volumeL,
		salinity,
		temperatureC,
		aim
	}: {
		readonly volumeL: number;
		readonly salinity: number;
		readonly temperatureC: number;
		/** The salinity that is kept. */
		readonly aim: number;
	}
): { readonly perMonth: number; readonly exchangeLPerMonth: number; readonly told: boolean } {
	const { salinityRise } = saltResidue(Math.max(0, alkalinityDkhPerDay), 30, salinity, temperatureC);
	const raised = aim + salinityRise;
	return {
		perMonth: salinityRise,
		exchangeLPerMonth: (volumeL * salinityRise) / raised,
		told: salinityRise > TOLD_CREEP
	};
}
