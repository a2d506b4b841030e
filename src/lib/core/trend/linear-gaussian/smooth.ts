import { carry, seen, type LinearTrack, type Working } from './filter.ts';
import type { LinearItem, Sight } from './model.ts';

/** Mean and covariance of all states at one time. */
export interface Belief {
	readonly mean: Float64Array;
	readonly covariance: Float64Array;
}

/** The adjoint at one place: λ, and Λ row by row. */
interface Later {
	readonly lambda: Float64Array;
	readonly capital: Float64Array;
}

/**
 * What later items say about every state, from the last to the first: the adjoint of all later items, after each item.
 * It is carried back as far as somebody looks: whoever asks about the present needs none of it.
 *
 * @see Bierman (1973), Automatica 9, 503, the modified Bryson–Frazier smoother: nothing is inverted
 */
export class LinearAdjoint {
	readonly #track: LinearTrack;
	/** `size` and size² numbers an item. */
	readonly #lambdas: Float64Array;
	readonly #capitals: Float64Array;
	/** Just after the first item that has been reached. */
	readonly #here: Later;
	#reached: number;

	constructor(track: LinearTrack) {
		const { size: n } = track.model;
		this.#track = track;
		this.#reached = track.items.length;
		this.#lambdas = new Float64Array(this.#reached * n);
		this.#capitals = new Float64Array(this.#reached * n * n);
		this.#here = { lambda: new Float64Array(n), capital: new Float64Array(n * n) };
	}

	/** Of all that comes after item i; the caller's own copies. */
	after(i: number): Later {
		const n = this.#track.model.size;
		while (this.#reached > i) this.#goBack();
		return {
			lambda: this.#lambdas.slice(i * n, (i + 1) * n),
			capital: this.#capitals.slice(i * n * n, (i + 1) * n * n)
		};
	}

	#goBack(): void {
		const { items, model } = this.#track;
		const n = model.size;
		const later = this.#reached;
		if (later < items.length) {
			undo(this.#track, later, this.#here);
			const days = items[later]!.day - items[later - 1]!.day;
			if (days !== 0) intoThePast(this.#track, days, this.#here);
		}
		this.#reached = later - 1;
		this.#lambdas.set(this.#here.lambda, this.#reached * n);
		this.#capitals.set(this.#here.capital, this.#reached * n * n);
	}
}

function intoThePast(track: LinearTrack, days: number, { lambda, capital }: Later): void {
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

function scaled(state: number, by: number, { lambda, capital }: Later): void {
	const n = lambda.length;
	lambda[state]! *= by;
	for (let k = 0; k < n; k++) capital[state * n + k]! *= by;
	for (let k = 0; k < n; k++) capital[k * n + state]! *= by;
}

/** Takes item i back: what came after it, as seen from before it. */
function undo(track: LinearTrack, i: number, later: Later): void {
	const n = track.model.size;
	const item = track.items[i]!;
	const { lambda, capital } = later;
	if (item.kind === 'exchange') return scaled(item.state, 1 - item.fraction, later);
	if (item.kind === 'restart') return scaled(item.state, 0, later);
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

function withHindsight(belief: Belief, { lambda, capital }: Later): Belief {
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
	readonly later: Later | null;
}

function momentAt(track: LinearTrack, adjoint: LinearAdjoint, day: number): Moment {
	const { items, model } = track;
	const i = lastItemAt(items, day);
	const state = filteredAfter(track, i);
	carry(model, state, day - (i < 0 ? model.startDay : items[i]!.day));
	if (i === items.length - 1) return { state, later: null };
	const later = adjoint.after(i + 1);
	undo(track, i + 1, later);
	intoThePast(track, items[i + 1]!.day - day, later);
	return { state, later };
}

/** All states at any day: with hindsight in the past, a forecast ahead of the last item. */
export function beliefAt(track: LinearTrack, adjoint: LinearAdjoint, day: number): Belief {
	const { state, later } = momentAt(track, adjoint, day);
	return later ? withHindsight(state, later) : state;
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
