// How fast the estimate is: its filter beside a general-purpose one and a hand-written loop, and how it grows.
import KalmanFilterPackage from 'kalman-filter';
import { normalDeviate, seededRandom } from '../src/lib/core/numeric/index.ts';
import { PARAMETERS, type ParameterId } from '../src/lib/core/quantity/index.ts';
import { addDays, instant } from '../src/lib/core/time/index.ts';
import {
	adjointOf,
	emptyTrack,
	filterLevelRate,
	smoothedAt,
	timelineOf,
	type LevelRateModel
} from '../src/lib/core/trend/index.ts';
import { estimateWater, learnedWander, type History } from '../src/lib/core/trend/index.ts';

/** What is used of the package, which brings no types. */
interface GeneralFilter {
	filterAll(observations: number[][]): number[][];
}
const { KalmanFilter } = KalmanFilterPackage as { KalmanFilter: new (settings: object) => GeneralFilter };
const U = 0.2;
const STEP_DAYS = 1;
const model: LevelRateModel = {
	startDay: -STEP_DAYS,
	prior: { level: 8, rate: 0, levelVariance: 4, covariance: 0, rateVariance: 1 },
	levelPerDay: 0.001,
	ratePerDay: 0.0005,
	flowPerDay: 0
};

function readings(count: number): number[] {
	const random = seededRandom(count);
	let level = 8;
	return Array.from({ length: count }, () => {
		level += normalDeviate(random, 0, 0.05);
		return level + normalDeviate(random, 0, U);
	});
}

const timelineOfReadings = (values: readonly number[]) =>
	timelineOf(values.map((value, i) => ({ kind: 'value', day: i * STEP_DAYS, value, u: U })));

/** Filter and smoother of Rauch, Tung and Striebel on plain numbers, as one loop each. */
function flat(values: readonly number[]): { readonly filtered: number[]; readonly smoothed: number[] } {
	const n = values.length;
	const { levelPerDay: qc, ratePerDay: qr, prior } = model;
	const before = new Float64Array(5 * n);
	const after = new Float64Array(5 * n);
	let [c, r, a, b, d] = [prior.level, prior.rate, prior.levelVariance, prior.covariance, prior.rateVariance];
	const dt = STEP_DAYS;
	for (let i = 0; i < n; i++) {
		c -= r * dt;
		a += dt * (-2 * b + dt * d + qc + (qr * dt * dt) / 3);
		b -= dt * (d + (qr * dt) / 2);
		d += qr * dt;
		before.set([c, r, a, b, d], 5 * i);
		const s = a + U * U;
		const off = values[i]! - c;
		c += (a / s) * off;
		r += (b / s) * off;
		d -= (b * b) / s;
		b -= (a * b) / s;
		a -= (a * a) / s;
		after.set([c, r, a, b, d], 5 * i);
	}
	const smoothed = new Array<number>(n);
	smoothed[n - 1] = c;
	let [sc, sr] = [c, r];
	for (let i = n - 2; i >= 0; i--) {
		const k = 5 * i;
		const j = 5 * (i + 1);
		const [pa, pb, pd] = [before[j + 2]!, before[j + 3]!, before[j + 4]!];
		const det = pa * pd - pb * pb;
		const [fa, fb, fd] = [after[k + 2]!, after[k + 3]!, after[k + 4]!];
		const [m11, m12] = [fa - dt * fb, fb];
		const [m21, m22] = [fb - dt * fd, fd];
		const [dc, dr] = [sc - before[j]!, sr - before[j + 1]!];
		const [wc, wr] = [(pd * dc - pb * dr) / det, (-pb * dc + pa * dr) / det];
		sc = after[k]! + m11 * wc + m12 * wr;
		sr = after[k + 1]! + m21 * wc + m22 * wr;
		smoothed[i] = sc;
	}
	return { filtered: Array.from({ length: n }, (_, i) => after[5 * i]!), smoothed };
}

function best(rounds: number, act: () => unknown): number {
	let least = Infinity;
	for (let i = 0; i < rounds; i++) {
		const start = performance.now();
		act();
		least = Math.min(least, performance.now() - start);
	}
	return least;
}

const relative = (a: number, b: number) => Math.abs(a - b) / Math.abs(b);

function besideThePackage(): string {
	const values = readings(1000);
	const timeline = timelineOfReadings(values);
	const track = emptyTrack(timeline.length);
	filterLevelRate(timeline, model, track);
	const { levelPerDay: qc, ratePerDay: qr, prior } = model;
	const dt = STEP_DAYS;
	const covariance = [
		[qc * dt + (qr * dt ** 3) / 3, (-qr * dt * dt) / 2],
		[(-qr * dt * dt) / 2, qr * dt]
	];
	const general = new KalmanFilter({
		observation: { stateProjection: [[1, 0]], covariance: [[U * U]], dimension: 1 },
		dynamic: {
			transition: [
				[1, -dt],
				[0, 1]
			],
			covariance,
			dimension: 2,
			init: {
				index: -1,
				mean: [[prior.level], [prior.rate]],
				covariance: [
					[prior.levelVariance, prior.covariance],
					[prior.covariance, prior.rateVariance]
				]
			}
		}
	});
	const observations = values.map((v) => [v]);
	const found = general.filterAll(observations);
	const apart = Math.max(...found.map(([level], i) => relative(level!, track.after.level[i]!)));
	if (!(apart < 1e-6)) throw new Error(`the two filters differ by ${apart}`);
	const own = best(30, () => filterLevelRate(timeline, model, track));
	const other = best(5, () => general.filterAll(observations));
	return `filter: ${(other / own).toFixed(0)} times as fast as the package kalman-filter on the same model and 1000 readings; they agree to ${apart.toExponential(1)} relative`;
}

function besideFlat(): string {
	const values = readings(4000);
	const timeline = timelineOfReadings(values);
	const track = emptyTrack(timeline.length);
	const both = () => {
		filterLevelRate(timeline, model, track);
		const adjoint = adjointOf(timeline, model, track);
		let sum = 0;
		for (let i = 0; i < timeline.length; i++) sum += smoothedAt(track, adjoint, i).level;
		return sum;
	};
	both();
	const adjoint = adjointOf(timeline, model, track);
	const plain = flat(values);
	const apart = Math.max(
		...plain.smoothed.map((level, i) => relative(level, smoothedAt(track, adjoint, i).level))
	);
	if (!(apart < 1e-6)) throw new Error(`filter and loop differ by ${apart}`);
	const own = best(60, both);
	const loop = best(60, () => flat(values));
	return `filter and smoother: ${(own / loop).toFixed(1)} times a hand-flattened loop (aim: at most 5)`;
}

function growth(): string {
	const times = [1000, 5000, 40_000].map((count) => {
		const timeline = timelineOfReadings(readings(count));
		const track = emptyTrack(count);
		return best(20, () => {
			filterLevelRate(timeline, model, track);
			adjointOf(timeline, model, track);
		});
	});
	return `growth: 40 000 readings take ${(times[2]! / times[0]!).toFixed(0)} times as long as 1000, 5000 take ${(times[1]! / times[0]!).toFixed(1)}`;
}

/** Learning what a water wanders: the likelihood on its whole grid, beside one pass of the filter. */
function fitting(): string {
	const values = readings(3650);
	const timeline = timelineOfReadings(values);
	const one = best(30, () => filterLevelRate(timeline, model));
	const { all, end } = histories(10);
	const alkalinity = all.find((h) => h.parameter === 'alkalinity')!;
	const fit = best(5, () => learnedWander(alkalinity, instant(end)));
	return `learning the wander of 3650 readings: ${fit.toFixed(1)} ms, ${(fit / one).toFixed(0)} times one pass of the filter`;
}

/** Daily readings of eight parameters; with fitting, surprises, steps and the joint pass, as the application does it. */
function histories(years: number): { readonly all: History[]; readonly end: number } {
	const usual: Partial<Record<ParameterId, readonly [number, number]>> = {
		alkalinity: [8.2, 0.22],
		calcium: [430, 8],
		magnesium: [1330, 25],
		potassium: [398, 5],
		nitrate: [7, 1],
		phosphate: [0.06, 0.006],
		salinity: [35, 0.3],
		ph: [8.1, 0.06]
	};
	const start = instant(Date.UTC(2015, 0, 1));
	const days = Math.round(years * 365);
	const random = seededRandom(7);
	const all = (Object.keys(usual) as ParameterId[]).map((parameter): History => {
		const [level, u] = usual[parameter]!;
		let now = level;
		return {
			parameter,
			inputs: Array.from({ length: Math.floor(days / 14) }, (_, k) => ({
				kind: 'exchange',
				at: addDays(start, 14 * k + 0.5),
				fraction: 0.08,
				newWater: { value: level, u }
			})),
			observations: Array.from({ length: days }, (_, i) => {
				now += 0.02 * u * normalDeviate(random);
				const value = now + u * normalDeviate(random);
				const unit = PARAMETERS[parameter].canonicalUnit;
				return {
					id: String(i),
					at: addDays(start, i + 0.8),
					kit: 'a kit',
					result: { kind: 'value', parameter, unit, value, uRandom: u, uCommon: u / 4 }
				};
			})
		};
	});
	return { all, end: addDays(start, days) };
}

function wholeWater(): string {
	const time = (years: number) => {
		const { all, end } = histories(years);
		return best(3, () => estimateWater(all, instant(end)));
	};
	const [one, ten] = [time(1), time(10)];
	return `a water of eight parameters read daily, everything learned: one year ${one.toFixed(0)} ms, ten years ${ten.toFixed(0)} ms here, ${(ten / one).toFixed(1)} times`;
}

console.log([besideThePackage(), besideFlat(), growth(), fitting(), wholeWater()].join('\n'));
