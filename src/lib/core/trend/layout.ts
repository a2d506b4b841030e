import { POSSIBLE_IN_WATER, type ParameterId } from '../quantity/index.ts';
import { daysBetween, type Instant } from '../time/index.ts';
import { commonUOfKits } from './history-items.ts';
import type { Coupling, LinearItem, LinearModel, Sight } from './linear-gaussian/index.ts';
import { CALCIUM_PER_DKH, MAGNESIUM_FRACTION, MAGNESIUM_PER_DKH } from './stoichiometry.ts';
import type { Treated } from './treat.ts';

/** Where one parameter's states stand among all. */
export interface Member {
	readonly treated: Treated;
	readonly level: number;
	/** What is used per day is this sum of states. */
	readonly rate: Sight;
	/** What was used since the sum began anew. */
	readonly sum: number;
	/** Error of each kit, where there is more than one to tell them apart by. */
	readonly biases: ReadonlyMap<string, number>;
	/** Days from the first reading of all to this parameter's. */
	readonly offsetDays: number;
}

export interface Layout {
	readonly origin: Instant;
	readonly model: LinearModel;
	readonly items: readonly LinearItem[];
	readonly members: readonly Member[];
}

/** The three that calcification takes together, in this order. */
export const CALCIFYING = ['alkalinity', 'calcium', 'magnesium'] as const satisfies readonly ParameterId[];

/** What one degree of alkalinity laid down as carbonate takes of each. */
export const PER_DKH: Readonly<Record<(typeof CALCIFYING)[number], number>> = {
	alkalinity: 1,
	calcium: (1 - MAGNESIUM_FRACTION) * CALCIUM_PER_DKH,
	magnesium: MAGNESIUM_FRACTION * MAGNESIUM_PER_DKH
};

/** What may depart from calcification per day before anything is read, canonical units (convention). */
const DEPARTURE_SD: Readonly<Record<(typeof CALCIFYING)[number], number>> = {
	alkalinity: 0.05,
	calcium: 0.2,
	magnesium: 0.15
};
/** A departure drifts by this share of itself in thirty days (convention). */
const DEPARTURE_DRIFT = 0.3;

function isCalcifying(p: ParameterId): p is (typeof CALCIFYING)[number] {
	return (CALCIFYING as readonly ParameterId[]).includes(p);
}

/** Collects states one by one. */
class States {
	readonly mean: number[] = [];
	readonly variance: number[] = [];
	readonly wander: number[] = [];
	readonly couplings: Coupling[] = [];
	readonly mirrored: { readonly level: number; readonly sum: number }[] = [];

	add(mean: number, variance: number, wanderPerDay: number): number {
		this.mean.push(mean);
		this.variance.push(variance);
		this.wander.push(wanderPerDay);
		return this.mean.length - 1;
	}
	model(startDay: number): LinearModel {
		const size = this.mean.length;
		const covariance = new Float64Array(size * size);
		this.variance.forEach((v, i) => (covariance[i * size + i] = v));
		return {
			size,
			couplings: this.couplings,
			wanderPerDay: Float64Array.from(this.wander),
			mirrored: this.mirrored,
			startDay,
			mean: Float64Array.from(this.mean),
			covariance
		};
	}
}

/** How far what the doses bring on an ordinary day may be off. */
function usualFlowU(treated: Treated): number {
	let most = treated.prepared.flowU;
	for (const i of treated.items) if (i.kind === 'flow') most = Math.max(most, i.perDay * (i.relativeU ?? 0));
	return most;
}

function departure(states: States, treated: Treated, parameter: (typeof CALCIFYING)[number]): number {
	const sd = Math.hypot(DEPARTURE_SD[parameter], usualFlowU(treated));
	return states.add(0, sd * sd, (DEPARTURE_DRIFT * sd) ** 2 / 30);
}

/** One more reading's noise may be learned of a kit only against another kit. */
function biasesOf(states: States, treated: Treated): Map<string, number> {
	const kits = commonUOfKits(treated.prepared.observations);
	const biases = new Map<string, number>();
	if (kits.size < 2) return biases;
	for (const [kit, u] of kits) biases.set(kit, states.add(0, u * u, 0));
	return biases;
}

function itemsOf(member: Member): LinearItem[] {
	const { treated, level, rate, biases, offsetDays } = member;
	// A setting of this parameter's doses moves what is its own, not the calcification shared with others.
	const own = rate.at(-1)![0];
	const shared = rate[0]![0];
	return treated.items.flatMap((item): LinearItem[] => {
		const day = item.day + offsetDays;
		switch (item.kind) {
			case 'value':
			case 'interval': {
				const bias = item.of && biases.get(item.of.kit);
				const sight: Sight =
					bias === undefined
						? [[level, 1]]
						: [
								[level, 1],
								[bias, 1]
							];
				const { of: _, kitU = 0, ...plain } = item;
				// Where the kits' errors are states of their own they are no noise any more.
				const u = bias === undefined ? plain.u : Math.sqrt(Math.max(plain.u ** 2 - kitU ** 2, 1e-12));
				const told: LinearItem = { ...plain, u, day, sight };
				return treated.open?.after === item
					? [
							told,
							{
								kind: 'settle',
								day,
								sight: [[level, 1]],
								value: treated.open.level,
								variance: treated.open.variance
							}
						]
					: [told];
			}
			case 'loosen':
				return [
					{ kind: 'loosen' as const, day, state: level, variance: item.levelVariance },
					{
						kind: 'loosen' as const,
						day,
						state: item.cause === 'step' ? shared : own,
						variance: item.rateVariance
					}
				].filter((x) => x.variance > 0);
			default:
				return [{ ...item, day, state: level }];
		}
	});
}

/**
 * Lays the states of one parameter, or of the three that calcification binds together, side by side: a level for each,
 * what is used of it (calcification in its proportion, and what departs from that), a sum of it since `sumFrom`, and an
 * error for every kit.
 */
export function layOut(group: readonly Treated[], sumFrom: Instant): Layout {
	const origin = group.map((t) => t.prepared.origin).reduce((a, b) => (b < a ? b : a));
	const states = new States();
	const alkalinity = group.find((t) => t.prepared.parameter === 'alkalinity');
	const joint = group.length > 1 && alkalinity;
	const growth = joint
		? states.add(0, alkalinity.prepared.prior.rateVariance, alkalinity.noise.ratePerDay)
		: null;
	const starts: LinearItem[] = [];
	const members = group.map((treated): Member => {
		const { prepared, noise } = treated;
		const { parameter, prior } = prepared;
		const offsetDays = daysBetween(origin, prepared.origin);
		const level = states.add(prior.level, prior.levelVariance, noise.levelPerDay);
		const rate: Sight =
			growth !== null && isCalcifying(parameter)
				? [
						[growth, PER_DKH[parameter]],
						[departure(states, treated, parameter), 1]
					]
				: [[states.add(prior.rate, prior.rateVariance, noise.ratePerDay), 1]];
		const sum = states.add(0, 0, 0);
		states.mirrored.push({ level, sum });
		for (const [state, share] of rate) {
			states.couplings.push({ row: level, column: state, perDay: -share });
			states.couplings.push({ row: sum, column: state, perDay: share });
		}
		if (prepared.flowPerDay !== 0)
			starts.push({ kind: 'flow', day: offsetDays, state: level, perDay: prepared.flowPerDay });
		starts.push({
			kind: 'restart',
			day: offsetDays,
			state: level,
			mean: prior.level,
			variance: prior.levelVariance
		});
		return { treated, level, rate, sum, biases: biasesOf(states, treated), offsetDays };
	});
	const begins = Math.max(0, daysBetween(origin, sumFrom));
	const sums = members.map((m): LinearItem => ({
		kind: 'restart',
		day: begins,
		state: m.sum,
		mean: 0,
		variance: 0
	}));
	// A stable sort: what begins comes before the first reading, sums begin after what is read at that moment.
	const items = [...starts, ...members.flatMap(itemsOf), ...sums].sort((a, b) => a.day - b.day);
	return { origin, model: states.model(0), items, members };
}

/** The least that a parameter can be. */
export function leastOf(parameter: ParameterId): number {
	return POSSIBLE_IN_WATER[parameter].least;
}
