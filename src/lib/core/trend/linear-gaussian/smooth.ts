import { carry, seen, type LinearTrack, type Working } from './filter.ts';
import type { LinearItem, Sight } from './model.ts';

/** Mean and covariance of all states at one time. */
export interface Belief {
	readonly mean: Float64Array;
	readonly covariance: Float64Array;
}

/** Adjoint of all later items, after each item: `size` and size² numbers an item. */
export interface LinearAdjoint {
	readonly lambda: Float64Array;
	readonly capital: Float64Array;
}

function intoThePast(track: LinearTrack, days: number, lambda: Float64Array, capital: Float64Array): void {
	const n = track.model.size;
	for (const { row, column, perDay } of track.model.couplings)
		lambda[column]! += perDay * days * lambda[row]!;
	for (const { row, column, perDay } of track.model.couplings) {
		const by = perDay * days;
		for (let k = 0; k < n; k++) capital[column * n + k]! += by * capital[row * n + k]!;
	}
	for (const { row, column, perDay } of track.model.couplings) {
		const by = perDay * days;
		for (let k = 0; k < n; k++) capital[k * n + column]! += by * capital[k * n + row]!;
	}
}

function scaled(state: number, by: number, n: number, lambda: Float64Array, capital: Float64Array): void {
	lambda[state]! *= by;
	for (let k = 0; k < n; k++) capital[state * n + k]! *= by;
	for (let k = 0; k < n; k++) capital[k * n + state]! *= by;
}

function undo(
	track: LinearTrack,
	item: LinearItem,
	i: number,
	lambda: Float64Array,
	capital: Float64Array
): void {
	const n = track.model.size;
	if (item.kind === 'exchange') return scaled(item.state, 1 - item.fraction, n, lambda, capital);
	if (item.kind === 'restart') return scaled(item.state, 0, n, lambda, capital);
	if (item.kind !== 'value' && item.kind !== 'interval' && item.kind !== 'settle') return;
	const precision = track.precisions[i]!;
	const gain = track.gains.subarray(i * n, (i + 1) * n);
	// (I − g·h)ᵀ·Λ·(I − g·h) + hᵀ·h/S: only the rows and columns that are seen change.
	const weighed = new Float64Array(n);
	let along = 0;
	let lambdaAlong = 0;
	for (let r = 0; r < n; r++) {
		for (let k = 0; k < n; k++) weighed[r]! += capital[r * n + k]! * gain[k]!;
	}
	for (let k = 0; k < n; k++) {
		along += gain[k]! * weighed[k]!;
		lambdaAlong += gain[k]! * lambda[k]!;
	}
	for (const [at, share] of item.sight) {
		for (let k = 0; k < n; k++) {
			capital[at * n + k]! -= share * weighed[k]!;
			capital[k * n + at]! -= share * weighed[k]!;
		}
	}
	for (const [at, a] of item.sight) {
		for (const [other, b] of item.sight) capital[at * n + other]! += a * b * (along + precision);
		lambda[at]! -= a * (lambdaAlong + track.pulls[i]!);
	}
}

/**
 * What later items say about every state, from the last to the first.
 *
 * @see Bierman (1973), Automatica 9, 503, the modified Bryson–Frazier smoother: nothing is inverted
 */
export function adjointOfLinear(track: LinearTrack): LinearAdjoint {
	const { items } = track;
	const n = track.model.size;
	const all: LinearAdjoint = {
		lambda: new Float64Array(items.length * n),
		capital: new Float64Array(items.length * n * n)
	};
	const lambda = new Float64Array(n);
	const capital = new Float64Array(n * n);
	for (let i = items.length - 1; i >= 0; i--) {
		all.lambda.set(lambda, i * n);
		all.capital.set(capital, i * n * n);
		undo(track, items[i]!, i, lambda, capital);
		const days = i > 0 ? items[i]!.day - items[i - 1]!.day : 0;
		if (days !== 0) intoThePast(track, days, lambda, capital);
	}
	return all;
}

function withHindsight(belief: Belief, lambda: Float64Array, capital: Float64Array): Belief {
	const n = belief.mean.length;
	const mean = belief.mean.slice();
	const { covariance: p } = belief;
	const half = new Float64Array(n * n);
	for (let r = 0; r < n; r++)
		for (let c = 0; c < n; c++) {
			let sum = 0;
			for (let k = 0; k < n; k++) sum += p[r * n + k]! * capital[k * n + c]!;
			half[r * n + c] = sum;
		}
	const covariance = p.slice();
	for (let r = 0; r < n; r++) {
		for (let k = 0; k < n; k++) mean[r]! -= p[r * n + k]! * lambda[k]!;
		for (let c = 0; c < n; c++) {
			let sum = 0;
			for (let k = 0; k < n; k++) sum += half[r * n + k]! * p[k * n + c]!;
			covariance[r * n + c]! -= sum;
		}
	}
	return { mean, covariance };
}

/** The state just after item i as the filter knew it then. */
export function filteredAfter(track: LinearTrack, i: number): Working {
	const n = track.model.size;
	if (i < 0) {
		const { mean, covariance } = track.model;
		return { mean: mean.slice(), covariance: covariance.slice(), flow: new Float64Array(n) };
	}
	return {
		mean: track.means.slice(i * n, (i + 1) * n),
		covariance: track.covariances.slice(i * n * n, (i + 1) * n * n),
		flow: track.flows.slice(i * n, (i + 1) * n)
	};
}

/** Index of the last item not later than a day; −1 before the first. */
export function lastItemAt(items: readonly LinearItem[], day: number): number {
	let [low, high] = [0, items.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (items[middle]!.day <= day) low = middle + 1;
		else high = middle;
	}
	return low - 1;
}

interface Moment {
	readonly state: Working;
	/** Of what comes later, brought back to this day; null after the last item. */
	readonly later: { readonly lambda: Float64Array; readonly capital: Float64Array } | null;
}

function momentAt(track: LinearTrack, adjoint: LinearAdjoint, day: number): Moment {
	const { items, model } = track;
	const n = model.size;
	const i = lastItemAt(items, day);
	const state = filteredAfter(track, i);
	carry(model, state, day - (i < 0 ? model.startDay : items[i]!.day));
	if (i === items.length - 1) return { state, later: null };
	const lambda = adjoint.lambda.slice((i + 1) * n, (i + 2) * n);
	const capital = adjoint.capital.slice((i + 1) * n * n, (i + 2) * n * n);
	undo(track, items[i + 1]!, i + 1, lambda, capital);
	intoThePast(track, items[i + 1]!.day - day, lambda, capital);
	return { state, later: { lambda, capital } };
}

/** All states at any day: with hindsight in the past, a forecast ahead of the last item. */
export function beliefAt(track: LinearTrack, adjoint: LinearAdjoint, day: number): Belief {
	const { state, later } = momentAt(track, adjoint, day);
	return later ? withHindsight(state, later.lambda, later.capital) : state;
}

/** One sum of states at any day; what `beliefAt` would say of it, without reckoning all the others. */
export function seenAt(
	track: LinearTrack,
	adjoint: LinearAdjoint,
	day: number,
	sight: Sight
): { readonly mean: number; readonly variance: number } {
	const { state, later } = momentAt(track, adjoint, day);
	const { mean, variance } = seen(sight, state.mean, state.covariance);
	if (!later) return { mean, variance };
	const n = track.model.size;
	const along = new Float64Array(n);
	for (const [at, share] of sight)
		for (let k = 0; k < n; k++) along[k]! += share * state.covariance[k * n + at]!;
	let [moved, narrowed] = [0, 0];
	for (let r = 0; r < n; r++) {
		moved += along[r]! * later.lambda[r]!;
		for (let k = 0; k < n; k++) narrowed += along[r]! * later.capital[r * n + k]! * along[k]!;
	}
	return { mean: mean - moved, variance: variance - narrowed };
}
