import { daysBetween, type Instant } from '../time/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { Band } from './band.ts';
import { PROFILES, type ProfileId } from './profiles.ts';

/** Where a water stands in its life; bands, tests and advice follow from it. */
export const STAGE_IDS = [
	'cycling',
	'young',
	'settled',
	'neglected',
	'soft-fresh',
	'community-fresh'
] as const;
export type StageId = (typeof STAGE_IDS)[number];

/** Advice that stands as long as a water is in a stage; put into words by `format/`. */
export type AdviceId =
	| 'no-animals-yet'
	| 'source-of-ammonia'
	| 'first-zero-is-provisional'
	| 'add-slowly'
	| 'learn-the-use'
	| 'keep-nutrients-low'
	| 'alkalinity-first'
	| 'steady-beats-exact'
	| 'nutrients-not-zero'
	| 'kits-for-trouble'
	| 'test-before-touching'
	| 'ammonia-then-buffer'
	| 'small-steps'
	| 'soft-has-little-buffer'
	| 'match-new-water'
	| 'buffer-means-ph';

export interface Stage {
	/** What is tested first in it, in this order. */
	readonly tests: readonly ParameterId[];
	readonly advice: readonly AdviceId[];
}

export const STAGES: Readonly<Record<StageId, Stage>> = {
	cycling: {
		tests: ['ammonia', 'nitrite', 'nitrate', 'ph', 'salinity'],
		advice: ['no-animals-yet', 'source-of-ammonia', 'first-zero-is-provisional']
	},
	young: {
		tests: ['alkalinity', 'calcium', 'nitrate', 'phosphate', 'salinity', 'ammonia'],
		advice: ['learn-the-use', 'add-slowly', 'keep-nutrients-low']
	},
	settled: {
		tests: ['alkalinity', 'calcium', 'salinity', 'nitrate', 'phosphate', 'magnesium'],
		advice: ['alkalinity-first', 'steady-beats-exact', 'nutrients-not-zero', 'kits-for-trouble']
	},
	neglected: {
		tests: ['ammonia', 'ph', 'alkalinity', 'nitrate', 'salinity', 'temperature'],
		advice: ['test-before-touching', 'ammonia-then-buffer', 'small-steps']
	},
	'soft-fresh': {
		tests: ['alkalinity', 'hardness', 'ph', 'nitrate'],
		advice: ['soft-has-little-buffer', 'match-new-water']
	},
	'community-fresh': {
		tests: ['alkalinity', 'hardness', 'nitrate', 'ph'],
		advice: ['buffer-means-ph', 'match-new-water']
	}
};

/** A reef is young for its first year, and left alone when nothing was tested for so long (husbandry convention). */
const YOUNG_DAYS = 365;
const NEGLECTED_DAYS = 120;
/** A young tank's nitrate is kept below this, mg/L; an older one bears more (husbandry convention). */
const YOUNG_NITRATE = 10;

export interface StageGiven {
	readonly profile: ProfileId | null;
	readonly startedAt: Instant;
	readonly now: Instant;
	/** When it was last tested at all. */
	readonly lastReadAt: Instant | null;
}

/** The stage that a water is in by its profile, its age and how it is tested; null for water that nothing lives in. */
export function stageOf({ profile, startedAt, now, lastReadAt }: StageGiven): StageId | null {
	if (profile === null) return null;
	if (profile === 'cycling') return 'cycling';
	const age = daysBetween(startedAt, now);
	const silent = daysBetween(lastReadAt ?? startedAt, now);
	if (age > YOUNG_DAYS && silent > NEGLECTED_DAYS) return 'neglected';
	if (profile === 'soft-fresh' || profile === 'community-fresh') return profile;
	return age < YOUNG_DAYS ? 'young' : 'settled';
}

/** The bands that a profile has in a stage: a young tank's nitrate is wanted lower. */
export function bandsIn(
	profile: ProfileId,
	stage: StageId | null
): Readonly<Partial<Record<ParameterId, Band>>> {
	const { bands } = PROFILES[profile] as { bands: Readonly<Partial<Record<ParameterId, Band>>> };
	const { nitrate } = bands;
	if (stage !== 'young' || !nitrate || nitrate.high === null || nitrate.high <= YOUNG_NITRATE) return bands;
	const aim = nitrate.aim === null ? null : Math.min(nitrate.aim, YOUNG_NITRATE / 2);
	return { ...bands, nitrate: { low: nitrate.low, high: YOUNG_NITRATE, aim } };
}

export const isFresh = (profile: ProfileId | null): boolean =>
	profile === 'soft-fresh' || profile === 'community-fresh';
