import { truncatedNormal } from '../../numeric/index.ts';
import type { LinearItem, LinearModel, Sight } from './model.ts';

/** An interval less likely than this is a misreading: it changes nothing. */
const IMPOSSIBLE = 1e-12;

/** What the filter knew after every item, and what the backward pass needs of it. */
export interface LinearTrack {
	readonly model: LinearModel;
	readonly items: readonly LinearItem[];
	/** After each item; means have `size` numbers an item, covariances size². */
	readonly means: Float64Array;
	readonly covariances: Float64Array;
	/** Continuous flows after each item, `size` numbers each. */
	readonly flows: Float64Array;
	/** Of each measurement: gain, one over the spread, and innovation over the spread. */
	readonly gains: Float64Array;
	readonly precisions: Float64Array;
	readonly pulls: Float64Array;
}

/** Mean and covariance in place; the caller's own copies. */
export interface Working {
	readonly mean: Float64Array;
	readonly covariance: Float64Array;
	readonly flow: Float64Array;
}

/**
 * Carries mean and covariance over some days. With drivers that are not driven themselves the transition is I + K·t,
 * and wander D integrates to D·t + (K·D + D·Kᵀ)·t²/2 + K·D·Kᵀ·t³/3.
 */
export function carry(model: LinearModel, state: Working, days: number): void {
	if (days === 0) return;
	const { size: n, couplings, wanderPerDay: wander } = model;
	const { mean, covariance: p, flow } = state;
	for (const { row, column, perDay } of couplings) mean[row]! += perDay * days * mean[column]!;
	for (let i = 0; i < n; i++) mean[i]! += flow[i]! * days;
	for (const { row, column, perDay } of couplings) {
		const by = perDay * days;
		for (let k = 0; k < n; k++) p[row * n + k]! += by * p[column * n + k]!;
	}
	for (const { row, column, perDay } of couplings) {
		const by = perDay * days;
		for (let k = 0; k < n; k++) p[k * n + row]! += by * p[k * n + column]!;
	}
	for (let i = 0; i < n; i++) p[i * n + i]! += wander[i]! * days;
	for (const { level, sum } of model.mirrored) {
		const drawn = wander[level]! * days;
		p[sum * n + sum]! += drawn;
		p[sum * n + level]! -= drawn;
		p[level * n + sum]! -= drawn;
	}
	for (const { row, column, perDay } of couplings) {
		const drawn = (perDay * wander[column]! * days * days) / 2;
		p[row * n + column]! += drawn;
		p[column * n + row]! += drawn;
		for (const other of couplings) {
			if (other.column !== column) continue;
			p[row * n + other.row]! += (perDay * other.perDay * wander[column]! * days ** 3) / 3;
		}
	}
}

/** Mean and variance of what is seen. */
export function seen(
	sight: Sight,
	mean: Float64Array,
	covariance: Float64Array
): { readonly mean: number; readonly variance: number } {
	const n = mean.length;
	let value = 0;
	let variance = 0;
	for (const [i, a] of sight) {
		value += a * mean[i]!;
		for (const [j, b] of sight) variance += a * b * covariance[i * n + j]!;
	}
	return { mean: value, variance };
}

class LinearFilter {
	readonly #n: number;
	readonly #state: Working;
	readonly #column: Float64Array;
	readonly track: LinearTrack;

	constructor(model: LinearModel, items: readonly LinearItem[]) {
		const n = model.size;
		this.#n = n;
		this.#state = {
			mean: model.mean.slice(),
			covariance: model.covariance.slice(),
			flow: new Float64Array(n)
		};
		this.#column = new Float64Array(n);
		this.track = {
			model,
			items,
			means: new Float64Array(items.length * n),
			covariances: new Float64Array(items.length * n * n),
			flows: new Float64Array(items.length * n),
			gains: new Float64Array(items.length * n),
			precisions: new Float64Array(items.length),
			pulls: new Float64Array(items.length)
		};
	}

	run(): LinearTrack {
		const { track } = this;
		const { model, items } = track;
		const { mean, covariance, flow } = this.#state;
		const n = this.#n;
		let now = model.startDay;
		items.forEach((item, i) => {
			carry(model, this.#state, item.day - now);
			now = item.day;
			this.#take(item, i);
			track.means.set(mean, i * n);
			track.covariances.set(covariance, i * n * n);
			track.flows.set(flow, i * n);
		});
		return track;
	}

	/** Learns that what is seen is off by a pull, with a precision of (measurement − prediction). */
	#learn(i: number, sight: Sight, pull: number, precision: number): void {
		const { mean, covariance: p } = this.#state;
		const { track } = this;
		const n = this.#n;
		const column = this.#column;
		column.fill(0);
		for (const [at, share] of sight) for (let k = 0; k < n; k++) column[k]! += share * p[k * n + at]!;
		for (let k = 0; k < n; k++) {
			track.gains[i * n + k] = column[k]! * precision;
			mean[k]! += column[k]! * pull;
		}
		for (let r = 0; r < n; r++) {
			const by = column[r]! * precision;
			for (let k = 0; k < n; k++) p[r * n + k]! -= by * column[k]!;
		}
		track.precisions[i] = precision;
		track.pulls[i] = pull;
	}

	#take(item: LinearItem, i: number): void {
		const { mean, covariance: p, flow } = this.#state;
		const n = this.#n;
		switch (item.kind) {
			case 'value': {
				const expected = seen(item.sight, mean, p);
				const spread = expected.variance + item.u * item.u;
				this.#learn(i, item.sight, (item.value - expected.mean) / spread, 1 / spread);
				break;
			}
			case 'interval': {
				const expected = seen(item.sight, mean, p);
				const s2 = expected.variance + item.u * item.u;
				const s = Math.sqrt(s2);
				const told = truncatedNormal((item.lower - expected.mean) / s, (item.upper - expected.mean) / s);
				if (told.probability >= IMPOSSIBLE)
					this.#learn(i, item.sight, told.mean / s, Math.max(0, 1 - told.variance) / s2);
				break;
			}
			case 'settle': {
				const known = seen(item.sight, mean, p);
				const pull = (item.value - known.mean) / known.variance;
				this.#learn(i, item.sight, pull, (known.variance - item.variance) / known.variance ** 2);
				break;
			}
			case 'step':
				mean[item.state]! += item.amount;
				p[item.state * n + item.state]! += item.u * item.u;
				break;
			case 'exchange':
				this.#exchange(item);
				break;
			case 'flow':
				flow[item.state] = item.perDay;
				break;
			case 'loosen':
				p[item.state * n + item.state]! += item.variance;
				break;
			case 'restart':
				mean[item.state] = item.mean;
				for (let k = 0; k < n; k++) p[item.state * n + k] = p[k * n + item.state] = 0;
				p[item.state * n + item.state] = item.variance;
				break;
		}
	}

	#exchange(item: Extract<LinearItem, { kind: 'exchange' }>): void {
		const { mean, covariance: p } = this.#state;
		const n = this.#n;
		const at = item.state;
		const kept = 1 - item.fraction;
		const newWater = item.newWater ?? mean[at]!;
		const off = (mean[at]! - newWater) * item.uFraction;
		for (let k = 0; k < n; k++) p[at * n + k]! *= kept;
		for (let k = 0; k < n; k++) p[k * n + at]! *= kept;
		p[at * n + at]! += (item.fraction * item.uNewWater) ** 2 + off * off;
		mean[at] = kept * mean[at]! + item.fraction * newWater;
	}
}

/** Kalman filter of several states at once, one measurement at a time. */
export function filterLinear(model: LinearModel, items: readonly LinearItem[]): LinearTrack {
	return new LinearFilter(model, items).run();
}
