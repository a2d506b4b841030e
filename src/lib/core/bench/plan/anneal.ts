import type { Random } from '../../numeric/index.ts';
import type { Compiled } from './compile.ts';
import { admitsOrder } from './frontier.ts';
import { hopsOf } from './score.ts';
import { Timing } from './timing.ts';

interface Rated {
	readonly order: readonly number[];
	readonly makespanS: number;
	readonly hops: number;
}

/** Seconds by which a worse order is still taken often, at first. */
const HOT_S = 5;

/** Seconds that one hop is held to cost while searching, besides its changeover: fewer are better where all else is equal. */
const HOP_COSTS_S = 0.5;

const costOf = (r: { makespanS: number; hops: number }) => r.makespanS + HOP_COSTS_S * r.hops;

/**
 * Moves a run of pieces of one test to another place between its neighbours of that test: often next to one of them,
 * which saves a hop, and otherwise anywhere.
 */
function moved(c: Compiled, order: readonly number[], random: Random): number[] | null {
	const { n, testOf } = c;
	let from = Math.floor(random() * n);
	const test = testOf[order[from]!]!;
	let end = from + 1;
	if (random() < 0.6) {
		while (from > 0 && testOf[order[from - 1]!] === test) from--;
		while (end < n && testOf[order[end]!] === test) end++;
		if (random() < 0.5 && end - from > 1) {
			const cut = from + 1 + Math.floor(random() * (end - from - 1));
			if (random() < 0.5) from = cut;
			else end = cut;
		}
	}
	let low = from;
	while (low > 0 && testOf[order[low - 1]!] !== test) low--;
	let high = end;
	while (high < n && testOf[order[high]!] !== test) high++;
	const before = from - low;
	const after = high - end;
	if (before + after === 0) return null;
	let shift: number;
	const roll = random();
	if (roll < 0.3 && before > 0) shift = -before;
	else if (roll < 0.6 && after > 0) shift = after;
	else {
		shift = Math.floor(random() * (before + after)) - before;
		if (shift >= 0) shift++;
	}
	const next = order.slice();
	const block = order.slice(from, end);
	if (shift > 0) {
		for (let k = 0; k < shift; k++) next[from + k] = order[end + k]!;
	} else {
		for (let k = 0; k < -shift; k++) next[end - 1 - k] = order[from - 1 - k]!;
	}
	for (let k = 0; k < block.length; k++) next[from + shift + k] = block[k]!;
	return next;
}

/** Puts one test in the places of another and the other way round: which of them comes first, and gets what is shared. */
function exchanged(c: Compiled, order: readonly number[], random: Random): number[] | null {
	const tests = c.pieces.length;
	const a = Math.floor(random() * tests);
	const b = (a + 1 + Math.floor(random() * (tests - 1))) % tests;
	const own = order.filter((p) => c.testOf[p] === a);
	const others = order.filter((p) => c.testOf[p] === b);
	if (own.length === 0 || others.length === 0) return null;
	let i = 0;
	let k = 0;
	return order.map((piece) => {
		const test = c.testOf[piece]!;
		if (test !== a && test !== b) return piece;
		// Where one has more pieces than the other had places, the rest follows in what places are left.
		const wantsOther = test === a ? k < others.length : i >= own.length;
		return wantsOther ? others[k++]! : own[i++]!;
	});
}

/** How often tests are exchanged instead of runs moved, where equipment is short and where it is not. */
const EXCHANGES = { short: 0.15, plenty: 0.02 } as const;

/**
 * Looks for a shorter order near one that is possible, by simulated annealing (Kirkpatrick, Gelatt and Vecchi (1983),
 * Science 220, 671): runs of pieces are moved; a worse order is taken now and then, more rarely as it cools.
 *
 * @param goOn asked before every move, with the share of this search that is over; false ends it
 * @returns the best order that was seen, which may be the first
 */
export function anneal(
	c: Compiled,
	first: readonly number[],
	random: Random,
	goOn: (moves: number) => number | null
): readonly number[] {
	const timing = new Timing(c);
	const rate = (order: readonly number[]): Rated | null => {
		if (!admitsOrder(c, order) || !timing.run(order)) return null;
		return { order, makespanS: timing.endS, hops: hopsOf(c, order) };
	};
	const begun = rate(first);
	if (begun === null) return first;
	let current: Rated = begun;
	let best = current;
	const exchanges = c.takes.some((t) => t.length > 0) ? EXCHANGES.short : EXCHANGES.plenty;
	for (let moves = 0; ; moves++) {
		const share = goOn(moves);
		if (share === null) return best.order;
		const temperature = HOT_S * 0.01 ** share;
		const order: number[] | null =
			c.pieces.length > 1 && random() < exchanges
				? exchanged(c, current.order, random)
				: moved(c, current.order, random);
		const next = order && rate(order);
		if (!next) continue;
		const worse = costOf(next) - costOf(current);
		if (worse <= 0 || random() < Math.exp(-worse / temperature)) {
			current = next;
			if (
				next.makespanS < best.makespanS - 1e-6 ||
				(next.makespanS < best.makespanS + 1e-6 && next.hops < best.hops)
			)
				best = next;
		}
	}
}
