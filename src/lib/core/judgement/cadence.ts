import type { ParameterId } from '../quantity/index.ts';
import { addDays, daysBetween, type Instant } from '../time/index.ts';
import type { Cadence, CadenceInput, DueTest, TestingPhase, WhyDue } from './due.ts';

/** A water is being learned for this long after its first reading. */
const LEARNING_DAYS = 90;

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

function phaseOf({ profile, firstAt, now }: Pick<CadenceInput, 'profile' | 'firstAt' | 'now'>): TestingPhase {
	if (profile === 'cycling') return 'cycling';
	return firstAt === null || daysBetween(firstAt, now) < LEARNING_DAYS ? 'learning' : 'settled';
}

/** A doubt, and what may harm, come before all that is only due. */
const FIRST = 20;

/** A test is never proposed sooner than this after the last, days. */
const SHORTEST: Readonly<Record<ParameterId, number>> = {
	alkalinity: 2,
	calcium: 4,
	magnesium: 7,
	potassium: 7,
	hardness: 4,
	nitrate: 3,
	phosphate: 3,
	salinity: 3,
	ph: 3,
	temperature: 1,
	ammonia: 1,
	nitrite: 1
};

/** The longest interval of a parameter at present, days; null where it is asked for by what happens only. */
export function longestDays(
	parameter: ParameterId,
	input: Pick<CadenceInput, 'profile' | 'firstAt' | 'now' | 'mediumRuns'>
): number | null {
	const usual = LONGEST[phaseOf(input)][parameter];
	if (usual === undefined) return null;
	return hidden(parameter, input) ? Math.min(usual, WITH_MEDIUM_DAYS) : usual;
}

export const shortestDays = (parameter: ParameterId): number => SHORTEST[parameter];

function hidden(parameter: ParameterId, { mediumRuns }: Pick<CadenceInput, 'mediumRuns'>): boolean {
	return mediumRuns && (parameter === 'nitrate' || parameter === 'phosphate');
}

type Timed = { readonly at: Instant; readonly why: WhyDue };

/** What something asks for it by, the soonest; null where nothing does. */
function soonestAsked(parameter: ParameterId, last: Instant | undefined, input: CadenceInput): Timed | null {
	const asked: Timed[] = input.asked.filter((a) => a.parameter === parameter);
	if (last !== undefined && input.unconfirmed.includes(parameter)) {
		const why = { kind: 'confirm', days: daysBetween(last, input.now) } as const;
		asked.push({ at: addDays(last, SHORTEST[parameter]), why });
	}
	return asked.sort((a, b) => a.at - b.at)[0] ?? null;
}

/** Makes a cadence from what is said of a parameter that was read before and is tested by the calendar. */
function cadence(
	when: (parameter: ParameterId, last: Instant, longest: number, input: CadenceInput) => Timed
): Cadence {
	return (input) => {
		const { now, lastAt, doubtful, usual, asked } = input;
		const tests: DueTest[] = [];
		for (const parameter of new Set([...usual, ...asked.map((a) => a.parameter)])) {
			const last = lastAt[parameter];
			const weight = WEIGHT[parameter];
			if (doubtful.includes(parameter)) {
				tests.push({ parameter, why: { kind: 'doubt' }, dueAt: now, weight: weight + FIRST });
				continue;
			}
			const longest = usual.includes(parameter) ? longestDays(parameter, input) : null;
			const sooner = soonestAsked(parameter, last, input);
			if (longest === null) {
				// It has no pause of its own: it is due where something asks for it.
				if (sooner) {
					const first = sooner.why.kind === 'danger' ? FIRST : 0;
					tests.push({ parameter, why: sooner.why, dueAt: sooner.at, weight: weight + first });
				}
				continue;
			}
			if (last === undefined) {
				tests.push({ parameter, why: { kind: 'never' }, dueAt: now, weight });
				continue;
			}
			const usually = when(parameter, last, longest, input);
			const { at, why } = sooner && sooner.at < usually.at ? sooner : usually;
			// What is long overdue comes forward among its neighbours.
			const overdue = daysBetween(at, now) / longest;
			const first = why.kind === 'danger' ? FIRST : 0;
			tests.push({ parameter, why, dueAt: at, weight: weight + first + Math.min(1, Math.max(0, overdue)) });
		}
		return tests.sort((a, b) => b.weight - a.weight);
	};
}

const byInterval = (parameter: ParameterId, last: Instant, longest: number, input: CadenceInput): Timed => ({
	at: addDays(last, longest),
	why: {
		kind: 'interval',
		days: daysBetween(last, input.now),
		everyDays: longest,
		phase: phaseOf(input),
		medium: hidden(parameter, input)
	}
});

/** Every parameter by its longest interval, the most pressing first; a doubt asks for a test at once. */
export const byLongestInterval: Cadence = cadence(byInterval);

/** Each parameter when the chance of being outside, or of not knowing, grows larger than is accepted. */
export const byOutlook: Cadence = cadence((parameter, last, longest, input) => {
	const outlook = input.outlooks[parameter];
	// While a tank cycles it is followed day by day, whatever its levels are.
	if (!outlook || phaseOf(input) === 'cycling') return byInterval(parameter, last, longest, input);
	const days = daysBetween(last, input.now);
	const latest = addDays(last, longest);
	if (outlook.at > latest) return byInterval(parameter, last, longest, input);
	switch (outlook.kind) {
		case 'outside':
			return { at: outlook.at, why: { kind: 'outside', days, chance: outlook.chance } };
		case 'edge':
			return { at: outlook.at, why: { kind: 'edge', days } };
		case 'unknown':
			return { at: outlook.at, why: { kind: 'unknown', days, plusMinus: outlook.plusMinus } };
		case 'steady':
			return hidden(parameter, input)
				? byInterval(parameter, last, longest, input)
				: { at: outlook.at, why: { kind: 'steady', days, everyDays: longest, chance: outlook.chance } };
	}
});

/** The set that a fixed testing day is about; the slower ones come every so many testing days. */
const EVERY_TIME: ReadonlySet<ParameterId> = new Set<ParameterId>([
	'alkalinity',
	'calcium',
	'hardness',
	'nitrate',
	'phosphate',
	'salinity',
	'temperature'
]);

/** A fixed testing day every week or every other week, whatever the estimates say. */
export const byHabit = (everyDays: number): Cadence =>
	cadence((parameter, last, longest, input) => {
		if (phaseOf(input) === 'cycling') return byInterval(parameter, last, longest, input);
		const days = EVERY_TIME.has(parameter)
			? everyDays
			: Math.max(1, Math.floor(longest / everyDays)) * everyDays;
		return {
			at: addDays(last, days),
			why: { kind: 'habit', days: daysBetween(last, input.now), everyDays: days }
		};
	});

/** The tests of a water as its keeper wants them timed. */
export const dueTests: Cadence = (input) =>
	input.habit.kind === 'fixed' ? byHabit(input.habit.everyDays)(input) : byOutlook(input);
