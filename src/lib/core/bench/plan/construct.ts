import type { Random } from '../../numeric/index.ts';
import type { Compiled } from './compile.ts';
import { Frontier } from './frontier.ts';
import { Timing } from './timing.ts';

/** One test after the other, each with its waits, its steps as they are written. */
export function oneAfterTheOther(
	c: Compiled,
	tests: readonly number[] = c.pieces.map((_, t) => t)
): number[] {
	return tests.flatMap((t) => [...c.pieces[t]!]);
}

/**
 * The same with what may be prepared at any time before the rest of its test: always possible where no wish and nothing
 * under way stands against it.
 */
export function preparedFirst(c: Compiled, tests: readonly number[] = c.pieces.map((_, t) => t)): number[] {
	return tests.flatMap((t) => {
		const own = c.pieces[t]!;
		const begins = own.map((p) => c.arcsTo[p]!.length === 0);
		return [...own.filter((_, k) => k > 0 && begins[k]), ...own.filter((_, k) => k === 0 || !begins[k])];
	});
}

/** Of what must follow soon on what has been done, the most urgent; −1 where nothing presses. */
function mostUrgent(c: Compiled, timing: Timing, frontier: Frontier): number {
	let urgent = -1;
	let soonest = Infinity;
	for (const piece of frontier.next) {
		let latest = c.dueS[piece]!;
		for (const { from, greatestS } of c.arcsTo[piece]!) {
			if (greatestS < Infinity) latest = Math.min(latest, timing.endOf(from) + greatestS);
		}
		if (latest < soonest && frontier.admits(piece)) {
			soonest = latest;
			urgent = piece;
		}
	}
	return urgent;
}

/**
 * True where all that presses can be met, the most urgent first, and what presses after it, until nothing does.
 * Leaves the pieces in that order behind, as far as it came.
 */
function rollOut(c: Compiled, timing: Timing, frontier: Frontier): boolean {
	for (let piece = mostUrgent(c, timing, frontier); piece >= 0; piece = mostUrgent(c, timing, frontier)) {
		if (!timing.append(piece)) return false;
		frontier.push(piece);
	}
	return true;
}

/**
 * Builds an order piece by piece: of those that may come next, the one that starts soonest and has most to follow it,
 * with some chance in it, and never one after which something pressing could not be met.
 *
 * @param boldness 0 takes what looks best, 1 goes mostly by chance
 * @returns null where it ran into a corner
 */
export function buildOrder(c: Compiled, random: Random, boldness: number): number[] | null {
	const timing = new Timing(c);
	const frontier = new Frontier(c);
	const spread = boldness * 120;
	const tailWeight = (random() * (1 + boldness)) / 10;
	const turnWeight = 1 + 5 * random();
	/** What the last look ahead would do next. */
	let ahead: number[] = [];
	while (timing.order.length < c.n) {
		const state = timing.save();
		const length = timing.order.length;
		const after = timing.endS;
		const at = timing.lastTest;
		const ranked: { readonly piece: number; readonly rank: number }[] = [];
		for (const piece of frontier.available()) {
			if (timing.append(piece)) {
				const turn = at >= 0 && c.testOf[piece] !== at ? c.changeoverS : 0;
				const idle = timing.start[piece]! - after - turn;
				ranked.push({
					piece,
					rank: -idle - turnWeight * turn + tailWeight * c.chainS[piece]! + spread * random()
				});
			}
			timing.restore(state);
		}
		ranked.sort((a, b) => b.rank - a.rank);
		let chosen = -1;
		for (const { piece } of ranked) {
			if (ahead[0] === piece) {
				chosen = piece;
				ahead = ahead.slice(1);
				break;
			}
			timing.append(piece);
			frontier.push(piece);
			const possible = rollOut(c, timing, frontier);
			const seen = timing.order.slice(length + 1);
			for (let k = frontier.order.length - 1; k >= length; k--) frontier.pop(frontier.order[k]!);
			timing.restore(state);
			if (possible) {
				chosen = piece;
				ahead = seen;
				break;
			}
		}
		if (chosen < 0) return null;
		timing.append(chosen);
		frontier.push(chosen);
	}
	return [...timing.order];
}
