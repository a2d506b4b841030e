import { normalDensity } from '../numeric/index.ts';
import { PARAMETERS, type ParameterId } from '../quantity/index.ts';
import { addDays } from '../time/index.ts';
import type { Doubt } from './estimate.ts';
import { roughValue, type HistoryItem, type Prepared } from './history-items.ts';
import {
	emptyTrack,
	filterLevelRate,
	stateAt,
	timelineOf,
	type LevelRate,
	type Track,
	type WanderNoise
} from './level-rate/index.ts';
import { TREND_SETTINGS } from './settings.ts';
import { modelOf } from './wander.ts';

/** From here on a reading is a surprise. */
export const SURPRISING_Z = 3;
/** Share of readings that are wrong, and of readings before which the water jumped unlogged (convention). */
const WRONG_SHARE = 0.03;
const CHANGED_SHARE = 0.01;
/** A wrong reading lands anywhere within so many of its own standard deviations, or of what waters differ by. */
const WRONG_WIDTH = 8;
/** Of wrong readings so many lie further off than that, at any distance. */
const WRONG_ANYWHERE = 1e-4;
/** A wrong reading is kept with so many times its uncertainty: it never vanishes, and moves next to nothing. */
const WRONG_WIDENING = 12;
/** One explanation so likely needs no further reading; after two more readings the likelier one holds. */
const SETTLED = 0.9;
const READINGS_TO_SETTLE = 2;
/** How many days on a surprise is still felt. */
const FAR_DAYS = 60;
/** More surprises one after the other than this tell of a model that does not fit, not of readings. */
const MOST_ROUNDS = 30;

type Explanation = 'as-is' | 'wrong' | 'changed';

interface Surprise {
	readonly z: number;
	readonly expected: number;
	readonly sd: number;
}

/** Set in place of what followed a surprising last reading: what both explanations make of the level together. */
export interface OpenQuestion {
	/** After this item. */
	readonly after: HistoryItem;
	readonly level: number;
	readonly variance: number;
}

export interface Weighed {
	/** The items as the estimate uses them: wrong readings widened, unlogged jumps let in. */
	readonly items: readonly HistoryItem[];
	/** The same with the wrong readings widened only, for whoever looks for other reasons why readings do not fit. */
	readonly withoutWrong: readonly HistoryItem[];
	readonly doubts: readonly Doubt[];
	readonly open: OpenQuestion | null;
}

function widened(item: HistoryItem, { sd, expected }: Surprise): HistoryItem {
	// However far off it lies, it pulls no harder than one that lies where it could: a slip of a digit is no weight.
	if (item.kind === 'value') {
		return { ...item, u: Math.max(item.u * WRONG_WIDENING, Math.abs(item.value - expected)) };
	}
	if (item.kind !== 'interval') return item;
	// An interval that is not believed says no more than a value about its middle would.
	const value = roughValue(item.of!.result);
	return {
		kind: 'value',
		day: item.day,
		value,
		u: Math.max(WRONG_WIDENING * Math.max(item.u, sd / 4), Math.abs(value - expected)),
		...(item.of ? { of: item.of } : {})
	};
}

/** A change of which nobody told may be so large, one standard deviation. */
const jumpSdOf = (parameter: ParameterId, { sd }: Surprise) =>
	Math.max(PARAMETERS[parameter].plausibleSpread / 2, 3 * sd);

function explained(
	item: HistoryItem,
	by: Explanation,
	parameter: ParameterId,
	surprise: Surprise
): readonly HistoryItem[] {
	switch (by) {
		case 'as-is':
			return [item];
		case 'wrong':
			return [widened(item, surprise)];
		case 'changed':
			return [
				{
					kind: 'loosen',
					day: item.day,
					levelVariance: jumpSdOf(parameter, surprise) ** 2,
					rateVariance: 0,
					cause: 'jump'
				},
				item
			];
	}
}

function surpriseOf(item: HistoryItem, track: Track, i: number): Surprise {
	const expected = track.before.level[i]!;
	const sd =
		item.kind === 'value'
			? Math.sqrt(track.spread[i]!)
			: Math.hypot(Math.sqrt(track.before.levelVariance[i]!), item.kind === 'interval' ? item.u : 0);
	if (item.kind === 'value') return { z: (item.value - expected) / sd, expected, sd };
	if (item.kind !== 'interval') return { z: 0, expected, sd };
	// An interval surprises by how far its nearer end lies from what was expected.
	const off =
		expected < item.lower ? item.lower - expected : expected > item.upper ? item.upper - expected : 0;
	return { z: off / sd, expected, sd };
}

/** The measurements that follow item i, and all that happens between them. */
function following(items: readonly HistoryItem[], i: number): readonly HistoryItem[] {
	const next: HistoryItem[] = [];
	let read = 0;
	for (let k = i + 1; k < items.length && read < READINGS_TO_SETTLE; k++) {
		next.push(items[k]!);
		if (items[k]!.of) read++;
	}
	while (next.length > 0 && !next.at(-1)!.of) next.pop();
	return next;
}

function mayBeWrong(parameter: ParameterId, z: number): boolean {
	const { neverDoubted } = TREND_SETTINGS[parameter];
	return !(neverDoubted === 'both' || (neverDoubted === 'high' && z > 0));
}

/**
 * A change of the water that one reading alone tells of waits for the next: until then the level stays where the others
 * left it, and the reading is asked for again. What kills is believed at once.
 */
function untilConfirmed(branches: readonly Branch[]): readonly Branch[] {
	const believed = branches.filter((b) => b.by !== 'changed');
	const sum = believed.reduce((all, b) => all + b.weight, 0);
	// Beside a change neither may have any weight left in double precision: then it is a slip until it is confirmed.
	return believed.map((b) => ({
		...b,
		weight: sum > 0 ? b.weight / sum : b.by === 'wrong' ? 1 : 0
	}));
}

interface Branch {
	readonly by: Explanation;
	readonly weight: number;
	/** Just after the surprising reading. */
	readonly state: LevelRate;
}

function branchesOf(
	prepared: Prepared,
	noise: WanderNoise,
	track: Track,
	{
		item,
		i,
		after
	}: { readonly item: HistoryItem; readonly i: number; readonly after: readonly HistoryItem[] }
): Branch[] {
	const surprise = surpriseOf(item, track, i);
	const { expected, sd, z } = surprise;
	const { plausibleSpread } = PARAMETERS[prepared.parameter];
	const read = item.kind === 'value' ? item.value : expected + z * sd;
	const wide = Math.max(WRONG_WIDTH * sd, plausibleSpread);
	// However far off, a slip of a digit stays likelier than nothing.
	const anywhere = normalDensity(read, expected, wide) + WRONG_ANYWHERE / wide;
	const asWrong = mayBeWrong(prepared.parameter, z) ? WRONG_SHARE * anywhere : 0;
	const model = {
		...modelOf(prepared, noise),
		prior: stateAt(track.before, i),
		startDay: item.day,
		flowPerDay: i > 0 ? track.flow[i - 1]! : prepared.flowPerDay
	};
	const branch = (by: Explanation, prior: number): Branch & { readonly log: number } => {
		const own = timelineOf(explained(item, by, prepared.parameter, surprise));
		const ownTrack = emptyTrack(own.length);
		const likelihood = filterLevelRate(own, model, ownTrack);
		const state = stateAt(ownTrack.after, own.length - 1);
		const then = { ...model, prior: state, flowPerDay: ownTrack.flow[own.length - 1]! };
		const later = after.length > 0 ? filterLevelRate(timelineOf(after), then) : 0;
		return { by, weight: 0, state, log: prior + (by === 'wrong' ? 0 : likelihood) + later };
	};
	const branches = [
		branch('as-is', Math.log(1 - WRONG_SHARE - CHANGED_SHARE)),
		branch('changed', Math.log(CHANGED_SHARE)),
		...(asWrong > 0 ? [branch('wrong', Math.log(asWrong))] : [])
	];
	const best = Math.max(...branches.map((b) => b.log));
	const weights = branches.map((b) => Math.exp(b.log - best));
	const sum = weights.reduce((a, b) => a + b, 0);
	return branches.map(({ by, state }, k) => ({ by, state, weight: weights[k]! / sum }));
}

/** Mean and variance of the level when each explanation has its chance. */
function mixed(branches: readonly Branch[]): { readonly level: number; readonly variance: number } {
	const level = branches.reduce((sum, b) => sum + b.weight * b.state.level, 0);
	const variance = branches.reduce(
		(sum, b) => sum + b.weight * (b.state.levelVariance + (b.state.level - level) ** 2),
		0
	);
	return { level, variance };
}

/**
 * Goes through the readings in their order. One that does not fit is explained in three ways (chance, a wrong reading,
 * an unlogged change of the water), each weighed by what was expected and by the readings that follow. The last reading
 * alone never tells of a change: it is set aside until another confirms it. Nothing is dropped: a reading taken for
 * wrong keeps a little say, one that told of a change sets the level anew.
 */
export function weighSurprises(
	prepared: Prepared,
	noise: WanderNoise,
	given: readonly HistoryItem[] = prepared.items
): Weighed {
	let items = given;
	const doubted = new Map<HistoryItem, HistoryItem>();
	const weighed = new Set<HistoryItem>();
	const doubts: Doubt[] = [];
	let open: OpenQuestion | null = null;
	for (let round = 0; round < MOST_ROUNDS; round++) {
		const track = emptyTrack(items.length);
		filterLevelRate(timelineOf(items), modelOf(prepared, noise), track);
		let nextFrom = -Infinity;
		const replaced = items.flatMap((item, i): readonly HistoryItem[] => {
			if (!item.of || i === 0 || item.day < nextFrom || weighed.has(item)) return [item];
			const surprise = surpriseOf(item, track, i);
			if (Math.abs(surprise.z) <= SURPRISING_Z) return [item];
			// What this one does to its neighbours is seen on the next round; far off it does nothing.
			nextFrom = item.day + FAR_DAYS;
			const after = following(items, i);
			const branches = branchesOf(prepared, noise, track, { item: items[i]!, i, after });
			const readLater = after.filter((x) => x.of).length;
			const believed =
				readLater === 0 && mayBeWrong(prepared.parameter, surprise.z) ? untilConfirmed(branches) : branches;
			const likeliest = believed.reduce((a, b) => (b.weight > a.weight ? b : a));
			const settled = readLater >= READINGS_TO_SETTLE || (readLater > 0 && likeliest.weight >= SETTLED);
			const weightOf = (by: Explanation) => branches.find((b) => b.by === by)?.weight ?? 0;
			doubts.push({
				id: item.of.id,
				at: addDays(prepared.origin, item.day),
				...surprise,
				wrong: weightOf('wrong'),
				changed: weightOf('changed'),
				settled
			});
			const instead = explained(item, likeliest.by, prepared.parameter, surprise);
			const last = instead.at(-1)!;
			weighed.add(last);
			// One odd reading with none after it tells of nothing but itself.
			if (likeliest.by === 'wrong' || readLater === 0) doubted.set(item, widened(item, surprise));
			if (!settled && readLater === 0) open = { after: last, ...mixed(believed) };
			return instead;
		});
		if (nextFrom === -Infinity) break;
		items = replaced;
	}
	doubts.sort((a, b) => a.at - b.at);
	return { items, withoutWrong: given.map((item) => doubted.get(item) ?? item), doubts, open };
}
