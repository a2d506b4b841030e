import type { ParameterId } from '../quantity/index.ts';
import { addDays, daysBetween, type Instant } from '../time/index.ts';
import type { ProfileId } from './profiles.ts';

/** What has happened, and asks for tests. */
export const HAPPENINGS = [
	'death',
	'algae',
	'browning',
	'new-salt',
	'new-medium',
	'doubtful',
	'before-change',
	'after-change'
] as const;
export type Happening = (typeof HAPPENINGS)[number];

/** How a water is tested at present: while it is being learned, once it is settled, while it cycles. */
export type TestingPhase = 'learning' | 'settled' | 'cycling';

/** Why a test is proposed; put into words by `format/`. */
export type WhyDue =
	| {
			readonly kind: 'interval';
			readonly days: number;
			readonly everyDays: number;
			readonly phase: TestingPhase;
			/** Tested more often than usual because a phosphate medium runs and algae no longer warn. */
			readonly medium: boolean;
	  }
	| { readonly kind: 'never' }
	| { readonly kind: 'doubt' }
	| { readonly kind: 'happening'; readonly what: Happening };

export interface DueTest {
	readonly parameter: ParameterId;
	readonly why: WhyDue;
	/** When its longest interval ends; now or earlier means due. */
	readonly dueAt: Instant;
	/** Larger is more pressing; tests of equal weight keep the order of the parameters. */
	readonly weight: number;
}

/** What is known of a water when its next tests are asked for. */
export interface CadenceInput {
	readonly now: Instant;
	readonly profile: ProfileId | null;
	/** Parameters that have a band, or are tested anyway. */
	readonly usual: readonly ParameterId[];
	readonly lastAt: Readonly<Partial<Record<ParameterId, Instant>>>;
	/** When the water was first read. */
	readonly firstAt: Instant | null;
	/** A medium that takes phosphate out runs. */
	readonly mediumRuns: boolean;
	/** Parameters whose last reading stands in doubt. */
	readonly doubtful: readonly ParameterId[];
}

/** When each parameter is to be tested next. Another way of deciding it fits behind the same face. */
export type Cadence = (input: CadenceInput) => readonly DueTest[];

/** A water is being learned for this long after its first reading. */
export const LEARNING_DAYS = 90;

/**
 * Longest interval between tests, days, by phase; conventional husbandry. What is not named has none: ammonia and
 * nitrite are asked for by what happens, once a tank has cycled.
 */
const LONGEST: Readonly<Record<TestingPhase, Readonly<Partial<Record<ParameterId, number>>>>> = {
	learning: {
		alkalinity: 7,
		calcium: 14,
		magnesium: 30,
		potassium: 30,
		hardness: 14,
		nitrate: 30,
		phosphate: 30,
		salinity: 14,
		ph: 30,
		temperature: 14
	},
	settled: {
		alkalinity: 14,
		calcium: 28,
		magnesium: 60,
		potassium: 60,
		hardness: 28,
		nitrate: 30,
		phosphate: 30,
		salinity: 14,
		ph: 30,
		temperature: 14
	},
	cycling: {
		ammonia: 1,
		nitrite: 1,
		nitrate: 3,
		alkalinity: 7,
		salinity: 14,
		ph: 7,
		temperature: 7
	}
};
/** Where a phosphate medium runs, algae no longer warn: nutrients are tested weekly. */
const WITH_MEDIUM_DAYS = 7;

/** How pressing a parameter is where there is not time for all: alkalinity moves fastest of the major ones. */
const WEIGHT: Readonly<Record<ParameterId, number>> = {
	ammonia: 10,
	nitrite: 9,
	alkalinity: 8,
	salinity: 7,
	calcium: 6,
	nitrate: 5,
	phosphate: 4.5,
	magnesium: 4,
	hardness: 3.5,
	potassium: 3,
	ph: 2,
	temperature: 1
};

const PANELS: Readonly<Record<Exclude<Happening, 'doubtful'>, readonly ParameterId[]>> = {
	death: ['ammonia', 'nitrite', 'nitrate', 'salinity', 'temperature', 'alkalinity', 'ph'],
	algae: ['nitrate', 'phosphate'],
	browning: ['nitrate', 'phosphate', 'alkalinity', 'salinity'],
	'new-salt': ['salinity', 'alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate'],
	'new-medium': ['phosphate', 'nitrate', 'alkalinity'],
	'before-change': ['alkalinity', 'calcium', 'nitrate', 'phosphate'],
	'after-change': ['salinity', 'alkalinity', 'magnesium']
};

function phaseOf({ profile, firstAt, now }: CadenceInput): TestingPhase {
	if (profile === 'cycling') return 'cycling';
	return firstAt === null || daysBetween(firstAt, now) < LEARNING_DAYS ? 'learning' : 'settled';
}

/** Every parameter by its longest interval, the most pressing first; a doubt asks for a test at once. */
export const byLongestInterval: Cadence = (input) => {
	const { now, lastAt, mediumRuns, doubtful } = input;
	const phase = phaseOf(input);
	const tests: DueTest[] = [];
	for (const parameter of input.usual) {
		const last = lastAt[parameter];
		const weight = WEIGHT[parameter];
		if (doubtful.includes(parameter)) {
			tests.push({ parameter, why: { kind: 'doubt' }, dueAt: now, weight: weight + 20 });
			continue;
		}
		const usual = LONGEST[phase][parameter];
		if (usual === undefined) continue;
		if (last === undefined) {
			tests.push({ parameter, why: { kind: 'never' }, dueAt: now, weight });
			continue;
		}
		const medium = mediumRuns && (parameter === 'nitrate' || parameter === 'phosphate');
		const everyDays = medium ? Math.min(usual, WITH_MEDIUM_DAYS) : usual;
		const days = daysBetween(last, now);
		tests.push({
			parameter,
			why: { kind: 'interval', days, everyDays, phase, medium },
			dueAt: addDays(last, everyDays),
			// What is long overdue comes forward among its neighbours.
			weight: weight + Math.min(1, Math.max(0, days / everyDays - 1))
		});
	}
	return tests.sort((a, b) => b.weight - a.weight);
};

/**
 * The tests that what has happened asks for, the most telling first.
 *
 * @param possible parameters that this kind of water has at all
 */
export function panelFor(
	what: Happening,
	input: Pick<CadenceInput, 'now' | 'doubtful' | 'lastAt'>,
	possible: readonly ParameterId[]
): readonly DueTest[] {
	const newest = Object.entries(input.lastAt).sort(([, a], [, b]) => b - a)[0]?.[0] as
		ParameterId | undefined;
	const doubted = input.doubtful.length > 0 ? input.doubtful : newest ? [newest] : [];
	const panel = what === 'doubtful' ? doubted : PANELS[what].filter((p) => possible.includes(p));
	return panel.map((parameter, i) => ({
		parameter,
		why: { kind: 'happening', what },
		dueAt: input.now,
		weight: 40 - i
	}));
}

/** Due by the end of the day that has so many hours left. */
export function isDue(test: DueTest, endOfDay: Instant): boolean {
	return test.dueAt <= endOfDay;
}

/**
 * The most pressing tests that fit into a time, each added only if all together still fit.
 *
 * @param lengthS how long a session of these tests takes, seconds
 */
export function fittingInto<T>(
	tests: readonly T[],
	limitS: number,
	lengthS: (chosen: readonly T[]) => number
): readonly T[] {
	let chosen: readonly T[] = [];
	for (const test of tests) {
		const more = [...chosen, test];
		if (lengthS(more) <= limitS) chosen = more;
	}
	return chosen;
}
