import { truncatedNormal } from '../../numeric/index.ts';
import { EXCHANGE, FLOW, INTERVAL, LOOSEN, STEP, VALUE, type Timeline } from './timeline.ts';

/** Level and consumption per day with their covariance, canonical units and days. */
export interface LevelRate {
	readonly level: number;
	/** Positive when the concentration falls by itself. */
	readonly rate: number;
	readonly levelVariance: number;
	readonly covariance: number;
	readonly rateVariance: number;
}

/** How a level and its consumption wander between readings. */
export interface WanderNoise {
	/** Variance that a level gains per day by what nobody logged. */
	readonly levelPerDay: number;
	/** Variance that the consumption gains per day, because it drifts. */
	readonly ratePerDay: number;
}

export interface LevelRateModel extends WanderNoise {
	readonly startDay: number;
	readonly prior: LevelRate;
	/** Continuous dosing before the first change of it. */
	readonly flowPerDay: number;
}

/** A measurement less likely than this is a misreading: it changes nothing and is flagged. */
const IMPOSSIBLE = 1e-12;

/** What the filter knew before and after every item, and how every measurement met what was predicted. */
export interface Track {
	readonly before: StateColumns;
	readonly after: StateColumns;
	/** Continuous dosing after the item. */
	readonly flow: Float64Array;
	/** Variance of (measurement − prediction); for an interval that of the equivalent value; 0 for other items. */
	readonly spread: Float64Array;
	/** Measurement minus prediction; for an interval the equivalent. */
	readonly innovation: Float64Array;
	/** Of an interval the probability that it had before it was read; 0 was refused. */
	readonly probability: Float64Array;
}

export interface StateColumns {
	readonly level: Float64Array;
	readonly rate: Float64Array;
	readonly levelVariance: Float64Array;
	readonly covariance: Float64Array;
	readonly rateVariance: Float64Array;
}

function stateColumns(n: number): StateColumns {
	return {
		level: new Float64Array(n),
		rate: new Float64Array(n),
		levelVariance: new Float64Array(n),
		covariance: new Float64Array(n),
		rateVariance: new Float64Array(n)
	};
}

export function emptyTrack(n: number): Track {
	return {
		before: stateColumns(n),
		after: stateColumns(n),
		flow: new Float64Array(n),
		spread: new Float64Array(n),
		innovation: new Float64Array(n),
		probability: new Float64Array(n)
	};
}

export function stateAt(columns: StateColumns, i: number): LevelRate {
	return {
		level: columns.level[i]!,
		rate: columns.rate[i]!,
		levelVariance: columns.levelVariance[i]!,
		covariance: columns.covariance[i]!,
		rateVariance: columns.rateVariance[i]!
	};
}

function put(columns: StateColumns, i: number, state: LevelRate) {
	columns.level[i] = state.level;
	columns.rate[i] = state.rate;
	columns.levelVariance[i] = state.levelVariance;
	columns.covariance[i] = state.covariance;
	columns.rateVariance[i] = state.rateVariance;
}

/** What makes a single odd reading harmless while the wander of a water is being learned. */
export interface Tolerance {
	/** Beyond so many standard deviations a reading counts for less and less. */
	readonly from: number;
}

/**
 * Kalman filter of a level and its consumption over a timeline of readings and of what happened to the water, with
 * continuous dosing d: dC/dt = d − r, r wandering. Doses, changes and dosing enter at their time.
 *
 * In one piece because it runs some thousand times while a water is learned: a state that is handed from function to
 * function takes several times as long as one in local numbers.
 *
 * @param track filled when given; without it only the likelihood is reckoned
 * @param tolerance weighs surprising values down (Huber 1964); none is the plain recursion
 * @returns log-likelihood of the measurements
 * @see Kalman (1960), J. Basic Eng. 82, 35; continuous white noise on the rate integrated over each stretch
 */
export function filterLevelRate(
	timeline: Timeline,
	model: LevelRateModel,
	track: Track | null = null,
	tolerance: Tolerance | null = null
): number {
	const { kind, day, a, b, c: third, d: fourth } = timeline;
	const { levelPerDay: qc, ratePerDay: qr } = model;
	let { level, rate } = model.prior;
	let { levelVariance: pc, covariance: px, rateVariance: pr } = model.prior;
	let flow = model.flowPerDay;
	let now = model.startDay;
	let logLikelihood = 0;

	for (let i = 0; i < timeline.length; i++) {
		const dt = day[i]! - now;
		if (dt !== 0) {
			level += (flow - rate) * dt;
			pc += dt * (-2 * px + dt * pr + qc + (qr * dt * dt) / 3);
			px -= dt * (pr + (qr * dt) / 2);
			pr += qr * dt;
			now = day[i]!;
		}
		if (track) {
			put(track.before, i, { level, rate, levelVariance: pc, covariance: px, rateVariance: pr });
		}
		switch (kind[i]!) {
			case VALUE: {
				const innovation = a[i]! - level;
				let noise = b[i]! * b[i]!;
				let spread = pc + noise;
				if (tolerance) {
					const z = Math.abs(innovation) / Math.sqrt(spread);
					if (z > tolerance.from) {
						noise = spread * (z / tolerance.from) - pc;
						spread = pc + noise;
					}
				}
				logLikelihood -= 0.5 * (Math.log(2 * Math.PI * spread) + (innovation * innovation) / spread);
				const gainLevel = pc / spread;
				const gainRate = px / spread;
				level += gainLevel * innovation;
				rate += gainRate * innovation;
				pr -= gainRate * px;
				px -= gainLevel * px;
				pc -= gainLevel * pc;
				if (track) {
					track.spread[i] = spread;
					track.innovation[i] = innovation;
				}
				break;
			}
			case INTERVAL: {
				const noise = third[i]! * third[i]!;
				const s = Math.sqrt(pc + noise);
				const told = truncatedNormal((a[i]! - level) / s, (b[i]! - level) / s);
				if (!(told.probability >= IMPOSSIBLE)) {
					logLikelihood += Math.log(IMPOSSIBLE);
					break;
				}
				logLikelihood += Math.log(told.probability);
				// Telling less than 1e-9 of what was known is telling nothing; it also keeps the division whole.
				const learned = Math.max(1e-9, 1 - told.variance);
				const spread = (pc + noise) / learned;
				const innovation = (s * told.mean) / learned;
				level += (pc / spread) * innovation;
				rate += (px / spread) * innovation;
				pr -= (px * px) / spread;
				px -= (pc * px) / spread;
				pc -= (pc * pc) / spread;
				if (track) {
					track.spread[i] = spread;
					track.innovation[i] = innovation;
					track.probability[i] = told.probability;
				}
				break;
			}
			case STEP:
				level += a[i]!;
				pc += b[i]! * b[i]!;
				break;
			case EXCHANGE: {
				const kept = 1 - a[i]!;
				const newWater = Number.isNaN(b[i]!) ? level : b[i]!;
				const off = (level - newWater) * fourth[i]!;
				pc = kept * kept * pc + (a[i]! * third[i]!) ** 2 + off * off;
				px *= kept;
				level = kept * level + a[i]! * newWater;
				break;
			}
			case FLOW:
				flow = a[i]!;
				break;
			case LOOSEN:
				pc += a[i]!;
				pr += b[i]!;
				break;
		}
		if (track) {
			put(track.after, i, { level, rate, levelVariance: pc, covariance: px, rateVariance: pr });
			track.flow[i] = flow;
		}
	}
	return logLikelihood;
}

/** Carries a state over a stretch of days with continuous dosing. */
export function carried(state: LevelRate, noise: WanderNoise, flowPerDay: number, days: number): LevelRate {
	const { level, rate, levelVariance, covariance, rateVariance } = state;
	const { levelPerDay: qc, ratePerDay: qr } = noise;
	return {
		level: level + (flowPerDay - rate) * days,
		rate,
		levelVariance:
			levelVariance - 2 * days * covariance + days * days * rateVariance + qc * days + (qr * days ** 3) / 3,
		covariance: covariance - days * rateVariance - (qr * days * days) / 2,
		rateVariance: rateVariance + qr * days
	};
}
