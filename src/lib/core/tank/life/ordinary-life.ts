import type { WaterEvent } from '../../balance/index.ts';
import { titrationsOf, type Method } from '../../method/index.ts';
import { normalDeviate, seededRandom, type Random } from '../../numeric/index.ts';
import { addDays, DAY_MS, type Instant } from '../../time/index.ts';
import type { Levels } from '../levels.ts';
import { NATURES, TANK_KINDS, type TankKind } from '../natures.ts';
import type { SimulatedReader } from '../reader.ts';
import type { WaterScript } from '../simulate-water.ts';
import { Keeper } from './keeper.ts';
import { Living } from './living.ts';
import { between, drawTraits, type Traits } from './traits.ts';

export interface OrdinaryLife {
	/** What really happens. */
	readonly script: WaterScript;
	/** What the keeper wrote down of it: some of it, with the strengths and the volume that the keeper believes in. */
	readonly logged: { readonly events: WaterEvent[]; readonly netVolumeL: number };
}

const DAYS_OF_YEAR = 365;

export interface LifeOptions {
	readonly seed: number;
	readonly start: Instant;
	readonly days?: number;
	/** Every disturbance so many times as large; 1 is ordinary. */
	readonly disturbed?: number;
	/** A step of all that is used and left behind, as a factor from some day on. */
	readonly step?: { readonly day: number; readonly factor: number };
	/** Tests instead of the usual ones. */
	readonly tests?: readonly (readonly [method: Method, everyDays: number])[];
	readonly uptake?: readonly [least: number, most: number];
	/** Doses missed, noticed or not, and batches weaker than their label; true unless said otherwise. */
	readonly faults?: boolean;
}

/** When which test is made: in the evening, a little earlier or later. */
function scheduleOf(
	random: Random,
	tests: NonNullable<LifeOptions['tests']>,
	start: Instant,
	days: number
): { at: Instant; method: Method }[] {
	return tests.flatMap(([method, everyDays]) => {
		const phase = between(random, 0, everyDays);
		const times: { at: Instant; method: Method }[] = [];
		for (let day = phase; day < days; day += everyDays * between(random, 0.75, 1.25)) {
			const at = addDays(start, Math.floor(day) + 0.79 + 0.05 * random());
			if (at < addDays(start, days)) times.push({ at, method });
		}
		return times;
	});
}

/** Half of a large drop is seen as well as a whole small one from a syringe's tip (convention). */
const dropShare = (method: Method) => (titrationsOf(method)[0]?.meter.kind === 'drops' ? 0.5 : 1);

/** Who reads: with an eye that drifts, and kits that are off. */
function readerOf({ endPointSdDrops, drift, biases }: Traits, start: Instant) {
	return (at: Instant, method: Method): SimulatedReader => {
		const bias = biases.get(method.code) ?? 0;
		const isDisplay = method.kind === 'display';
		return {
			endPointSdDrops: endPointSdDrops * dropShare(method),
			lateDrops: dropShare(method) * (drift.reader[Math.floor((at - start) / DAY_MS)] ?? 0),
			kitBias: isDisplay ? 0 : bias,
			instrumentBias: isDisplay ? bias : 0,
			colourSdSteps: 0.2
		};
	};
}

/**
 * A tank with a life that no estimate knows: light and night, growth and drift, precipitation, feeding, evaporation,
 * doses missed and doses weaker than their label, a volume that is not what the keeper believes, kits that are off and
 * a reader who drifts. And a keeper who tests more or less regularly, doses, corrects, changes water, and writes down
 * most of it.
 */
export function ordinaryLife(kind: TankKind, options: LifeOptions): OrdinaryLife {
	const { seed, start, days = DAYS_OF_YEAR, disturbed = 1, faults = true } = options;
	const nature = NATURES[kind];
	const random = seededRandom(seed * 7919 + TANK_KINDS.indexOf(kind));
	const tests = options.tests ?? nature.tests;
	const methods = tests.map(([method]) => method);
	const uptake = options.uptake ?? nature.uptake;
	const traits = drawTraits(random, nature, { days, disturbed, uptake, methods });
	const living = new Living(nature, traits, options.step);
	const uptakeOn = (day: number) => living.uptakeOn(day);
	const keeper = new Keeper({ random, nature, traits, disturbed, faults, uptakeOn });
	const schedule = scheduleOf(random, tests, start, days);
	const spread = (value: number, relative: number) => value * Math.exp(normalDeviate(random, 0, relative));
	const levels: Levels = Object.fromEntries(
		Object.entries(nature.start).map(([p, value]) => [p, spread(value, p === 'salinity' ? 0.005 : 0.03)])
	);
	return {
		script: {
			seed,
			start: { at: start, levels },
			until: addDays(start, days),
			volumeL: traits.volumeL,
			events: [],
			living: (moment, level) => living.changes(moment, level),
			moods: (moment, level) => living.moods(moment, level),
			tests: schedule,
			decide: (moment, at, level) => keeper.decide(moment, at, level),
			reader: readerOf(traits, start)
		},
		logged: { events: keeper.logged, netVolumeL: traits.believedL }
	};
}
