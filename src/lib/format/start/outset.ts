import { RUNS_SINCE_DAYS, type RunsSince } from '$lib/contract/choices';
import { DAILY_LIMITS, type Limited } from '$lib/core/caution';
import { limitFor } from '$lib/core/correction';
import { bandsIn, longestDays, stageOf, STAGES, type ProfileId } from '$lib/core/judgement';
import { convertSpan, nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { plain } from '../number.ts';
import { bandInUnit, symbolAfter } from '../quantity.ts';

/** What is known of a water before anything was read. */
export interface Outset {
	readonly profile: ProfileId;
	readonly startedAt: Instant;
	readonly animals: boolean;
	readonly now: Instant;
}

type Units = Readonly<Record<ParameterId, UnitId>>;

/** How often, as people say it. */
export function everyWords(days: number): string {
	const named: Readonly<Record<number, string>> = {
		1: 'daily',
		2: 'every other day',
		7: 'weekly',
		14: 'every other week',
		28: 'every four weeks',
		30: 'monthly'
	};
	return named[days] ?? `every ${plain(days)} days`;
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What is wanted of a water of this kind and age, parameter by parameter. */
export function wantedWords(outset: Outset, units: Units): string[] {
	const stage = stageOf({ ...outset, lastReadAt: outset.now });
	return Object.entries(bandsIn(outset.profile, stage)).map(([id, band]) => {
		const parameter = id as ParameterId;
		return `${nameWithin(parameter)} ${bandInUnit(parameter, band, units[parameter])}${symbolAfter(units[parameter])}`;
	});
}

/** What to test how often while it is being learned: those of the same pause together, the most frequent first. */
export function testingWords({ profile, startedAt, now }: Outset): string {
	const stage = stageOf({ profile, startedAt, now, lastReadAt: now });
	const pauses = new Map<number, string[]>();
	for (const parameter of stage ? STAGES[stage].tests : []) {
		const days = longestDays(parameter, { profile, firstAt: null, now, mediumRuns: false });
		if (days !== null) pauses.set(days, [...(pauses.get(days) ?? []), nameWithin(parameter)]);
	}
	const parts = [...pauses]
		.sort(([a], [b]) => a - b)
		.map(([days, names]) => `${names.join(', ')} ${everyWords(days)}`);
	return upper(parts.join('; '));
}

/** What a day may change at most, of what is corrected most often. */
export function mostWords({ profile, animals }: Outset, units: Units): string[] {
	const judged = bandsIn(profile, null);
	return (Object.keys(DAILY_LIMITS) as Limited[]).flatMap((parameter) => {
		const limit = parameter in judged ? limitFor(parameter, 'up', [], animals) : null;
		if (limit === null) return [];
		const unit = units[parameter];
		const span = convertSpan(limit, PARAMETERS[parameter].canonicalUnit, unit);
		return [`${nameWithin(parameter)} ${plain(Number(span.toPrecision(2)))}${symbolAfter(unit)}`];
	});
}

/** About how long a tank runs already. */
export const RUNS: readonly { readonly value: RunsSince; readonly name: string; readonly days: number }[] = [
	{ value: 'this-week', name: 'this week', days: RUNS_SINCE_DAYS['this-week'] },
	{ value: 'a-month', name: 'about a month', days: RUNS_SINCE_DAYS['a-month'] },
	{ value: 'three-months', name: 'about three months', days: RUNS_SINCE_DAYS['three-months'] },
	{ value: 'half-a-year', name: 'about half a year', days: RUNS_SINCE_DAYS['half-a-year'] },
	{ value: 'a-year', name: 'about a year', days: RUNS_SINCE_DAYS['a-year'] },
	{ value: 'two-years', name: 'about two years', days: RUNS_SINCE_DAYS['two-years'] },
	{ value: 'longer', name: 'longer', days: RUNS_SINCE_DAYS.longer }
];
