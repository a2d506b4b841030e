import { stateAt, type LevelRate, type LevelRateModel, type StateColumns, type Track } from './filter.ts';
import { EXCHANGE, INTERVAL, VALUE, type Timeline } from './timeline.ts';

/**
 * What all later items say about a state, as the adjoint of Bryson and Frazier: smoothed mean = mean − P·λ, smoothed
 * covariance = P − P·Λ·P. Nothing is inverted, so that a level known exactly does no harm.
 */
export interface Adjoint {
	readonly level: Float64Array;
	readonly rate: Float64Array;
	readonly levelLevel: Float64Array;
	readonly levelRate: Float64Array;
	readonly rateRate: Float64Array;
}

/** Applies the adjoint of what came later, λ and the upper half of Λ, to a filtered state. */
export function withHindsight(
	state: LevelRate,
	[l1, l2, m11, m12, m22]: readonly [number, number, number, number, number]
): LevelRate {
	const { level, rate, levelVariance: pc, covariance: px, rateVariance: pr } = state;
	// M = Λ·P, then P − P·M.
	const a11 = m11 * pc + m12 * px;
	const a12 = m11 * px + m12 * pr;
	const a21 = m12 * pc + m22 * px;
	const a22 = m12 * px + m22 * pr;
	return {
		level: level - (pc * l1 + px * l2),
		rate: rate - (px * l1 + pr * l2),
		levelVariance: pc - (pc * a11 + px * a21),
		covariance: px - (pc * a12 + px * a22),
		rateVariance: pr - (px * a12 + pr * a22)
	};
}

/**
 * The backward pass: for every item the adjoint just after it, from all items that follow.
 *
 * @see Bierman (1973), Automatica 9, 503 (modified Bryson–Frazier); gives the states of Rauch, Tung & Striebel (1965)
 */
export function adjointOf(timeline: Timeline, model: LevelRateModel, track: Track): Adjoint {
	const n = timeline.length;
	const { kind, day, a } = timeline;
	const adjoint: Adjoint = {
		level: new Float64Array(n),
		rate: new Float64Array(n),
		levelLevel: new Float64Array(n),
		levelRate: new Float64Array(n),
		rateRate: new Float64Array(n)
	};
	let [l1, l2, m11, m12, m22] = [0, 0, 0, 0, 0];
	for (let i = n - 1; i >= 0; i--) {
		adjoint.level[i] = l1;
		adjoint.rate[i] = l2;
		adjoint.levelLevel[i] = m11;
		adjoint.levelRate[i] = m12;
		adjoint.rateRate[i] = m22;
		const k = kind[i];
		if (k === VALUE || k === INTERVAL) {
			const spread = track.spread[i]!;
			if (spread !== 0) {
				const g1 = track.before.levelVariance[i]! / spread;
				const g2 = track.before.covariance[i]! / spread;
				// (I − K·H)ᵀ on the right and left, with H = [1, 0].
				const v1 = m11 * g1 + m12 * g2;
				const v2 = m12 * g1 + m22 * g2;
				const vv = g1 * v1 + g2 * v2;
				const lg = l1 * g1 + l2 * g2;
				m11 = m11 - 2 * v1 + vv + 1 / spread;
				m12 = m12 - v2;
				l1 = l1 - lg - track.innovation[i]! / spread;
			}
		} else if (k === EXCHANGE) {
			const kept = 1 - a[i]!;
			l1 *= kept;
			m11 *= kept * kept;
			m12 *= kept;
		}
		const dt = i > 0 ? day[i]! - day[i - 1]! : day[i]! - model.startDay;
		l2 -= dt * l1;
		m22 += dt * (dt * m11 - 2 * m12);
		m12 -= dt * m11;
	}
	return adjoint;
}

/** The state after item i, given everything on the timeline. */
export function smoothedAt(track: Track, adjoint: Adjoint, i: number, columns: StateColumns = track.after) {
	return withHindsight(stateAt(columns, i), [
		adjoint.level[i]!,
		adjoint.rate[i]!,
		adjoint.levelLevel[i]!,
		adjoint.levelRate[i]!,
		adjoint.rateRate[i]!
	]);
}
