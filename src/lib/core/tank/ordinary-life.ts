import type { SupplementStrength, WaterEvent } from '../balance/index.ts';
import { titrationsOf, type Method } from '../method/index.ts';
import { normalDeviate, seededRandom, type Random } from '../numeric/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { derive, pointOf } from '../reading/index.ts';
import { addDays, DAY_MS, type Instant } from '../time/index.ts';
import type { Levels } from './levels.ts';
import { NATURES, TANK_KINDS, type TankKind } from './natures.ts';
import { CALM_READER, readBy, type SimulatedReader } from './reader.ts';
import type { Moment, WaterScript } from './simulate-water.ts';

export interface OrdinaryLife {
	/** What really happens. */
	readonly script: WaterScript;
	/** What the keeper wrote down of it: some of it, with the strengths and the volume that the keeper believes in. */
	readonly logged: { readonly events: WaterEvent[]; readonly netVolumeL: number };
}

const CALCIUM_PER_DKH = 7.147;
/** What the labels claim: dKH and mg/L that one millilitre brings to a hundred litres. */
const CARBONATE: readonly SupplementStrength[] = [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }];
const CALCIUM: readonly SupplementStrength[] = [{ parameter: 'calcium', risePerMlIn100L: 1 }];
const SETTING_DAYS = 28;
/** A keeper who sees alkalinity so far off sets the doses anew, to be back in this time. */
const ASTRAY_DKH = 1.5;
const ASTRAY_SETTING_DAYS = 10;
const DAYS_OF_YEAR = 365;

/** Half of a large drop is seen as well as a whole small one from a syringe's tip (convention). */
const dropShare = (method: Method) => (titrationsOf(method)[0]?.meter.kind === 'drops' ? 0.5 : 1);

const between = (random: Random, least: number, most: number) => least + random() * (most - least);

/** Kit by kit the error that is in all its readings, as large as the kit itself admits. */
function kitBiases(
	random: Random,
	methods: readonly Method[],
	typical: Readonly<Levels>
): Map<string, number> {
	return new Map(
		methods.map((method) => {
			if (method.kind === 'display') return [method.code, between(random, -1, 1)];
			const derived = derive(method, readBy(random, method, typical, CALM_READER));
			const point = derived.ok ? pointOf(derived.value.outcomes[0].result) : null;
			const admitted = point && point.value > 0 ? point.uCommon / point.value : 0.01;
			// More titrant is less of what is measured, and stands for less than all of it.
			const share = method.kind === 'back-titration' ? 1.7 : 1;
			return [method.code, normalDeviate(random, 0, Math.min(0.3, admitted * share))];
		})
	);
}

function strong(strength: readonly SupplementStrength[], by: number): readonly SupplementStrength[] {
	return strength.map((s) => ({ ...s, risePerMlIn100L: s.risePerMlIn100L * by }));
}

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

/**
 * A tank with a life that no estimate knows: light and night, growth and drift, precipitation, feeding, evaporation,
 * doses missed and doses weaker than their label, a volume that is not what the keeper believes, kits that are off and
 * a reader who drifts. And a keeper who tests more or less regularly, doses, corrects, changes water, and writes down
 * most of it.
 */
export function ordinaryLife(kind: TankKind, options: LifeOptions): OrdinaryLife {
	const { seed, start, days = DAYS_OF_YEAR, disturbed = 1, step, faults = true } = options;
	const nature = NATURES[kind];
	const random = seededRandom(seed * 7919 + TANK_KINDS.indexOf(kind));
	const believedL = between(random, 80, 600);
	const volumeL = believedL * Math.exp(normalDeviate(random, 0, 0.06 * disturbed));
	const carbonate = strong(CARBONATE, Math.exp(normalDeviate(random, 0, 0.05 * disturbed)));
	const calcium = strong(CALCIUM, Math.exp(normalDeviate(random, 0, 0.05 * disturbed)));
	const [leastUptake, mostUptake] = options.uptake ?? nature.uptake;
	const uptake0 = between(random, leastUptake, mostUptake);
	const growthPerDay = normalDeviate(random, 0.0006, 0.0006) * disturbed;
	const magnesiumUse = between(random, 0.1, 0.5) * (nature.doses ? 1 : 0.2);
	const potassiumUse = between(random, 0.03, 0.25) * (nature.doses ? 1 : 0.2);
	const tests = options.tests ?? nature.tests;
	const biases = kitBiases(
		random,
		tests.map(([m]) => m),
		nature.start
	);
	const endPointSdDrops = between(random, 0.6, 1.2);
	const events: WaterEvent[] = [];
	const logged: WaterEvent[] = [];
	/** Slow wandering, one value a day: drift of the uptake, of feeding, of salt, of the reader. */
	const wander = (sdPerRootDay: number, backPerDay: number) => {
		let value = 0;
		return Array.from({ length: days + 2 }, () => {
			value = value * (1 - backPerDay) + normalDeviate(random, 0, sdPerRootDay * disturbed);
			return value;
		});
	};
	// A quarter of itself in thirty days.
	const uptakeDrift = wander(0.25 / Math.sqrt(30), 0.004);
	const feeding = wander(0.08, 0.08);
	const saltiness = wander(0.09, 0.05);
	const lateness = wander(0.05, 0.03);
	const weakUntil = { day: -1, factor: 1 };

	const stepped = (day: number) => (step && day >= step.day ? step.factor : 1);
	const uptakeOn = (day: number) =>
		uptake0 * Math.exp(growthPerDay * day + (uptakeDrift[Math.floor(day)] ?? 0)) * stepped(day);

	const living = ({ day, light, wobble }: Moment, level: Readonly<Levels>): Levels => {
		const today = Math.floor(day);
		// Corals by light, and by what they find; what falls out by itself on heaters grows with how far the water is overcharged.
		const plenty = Math.min(1, (level.alkalinity ?? 0) / (0.4 * nature.start.alkalinity!));
		const built = uptakeOn(day) * (1 + 0.4 * (light - 1)) * wobble * plenty;
		const fallen = 0.02 * uptake0 * Math.max(0, (level.alkalinity ?? 8) - 8.5) ** 2;
		const fed = Math.exp(feeding[today] ?? 0) * wobble * stepped(day);
		const left = nature.nitrateLoad * fed;
		const nitrified = 0.0452 * left * 0.4 * plenty;
		return {
			alkalinity: -built - fallen - nitrified,
			calcium: -(built + fallen) * CALCIUM_PER_DKH,
			magnesium: -magnesiumUse * wobble * stepped(day) - 0.0867 * built,
			potassium: -potassiumUse * wobble * stepped(day),
			nitrate: left - nature.export * (level.nitrate ?? 0),
			phosphate: nature.phosphateLoad * fed - nature.export * (level.phosphate ?? 0),
			hardness: 0.004 * wobble,
			salinity: 0
		};
	};
	/** Evaporation and topping up: the salt stays, the water comes and goes. */
	const moods = ({ day }: Moment, level: Readonly<Levels>): Levels => {
		if (!nature.salt) return {};
		const salinity = (level.salinity ?? 35) + (saltiness[Math.floor(day)] ?? 0);
		const ratio = salinity / 35;
		return {
			salinity,
			calcium: (level.calcium ?? 0) * ratio,
			magnesium: (level.magnesium ?? 0) * ratio,
			potassium: (level.potassium ?? 0) * ratio
		};
	};

	let lastSet = 0;
	const setDoses = (day: number, at: Instant, level: Readonly<Levels>, settingDays: number): WaterEvent[] => {
		// The keeper knows the demand about, and steers a little back to the aim.
		const guess = uptakeOn(day) * Math.exp(normalDeviate(random, 0, 0.08));
		const alkalinity = Math.max(
			0,
			guess + (0.6 * (nature.start.alkalinity! - level.alkalinity!)) / settingDays
		);
		const lime = Math.max(
			0,
			CALCIUM_PER_DKH * guess + (0.6 * (nature.start.calcium! - level.calcium!)) / settingDays
		);
		const set = (supplement: string, rise: number, label: readonly SupplementStrength[]) => ({
			kind: 'recurring-dose' as const,
			at,
			supplement,
			amountMlPerDay: (rise * believedL) / 100 / label[0]!.risePerMlIn100L,
			strength: label
		});
		const believed = [set('Part one', alkalinity, CARBONATE), set('Part two', lime, CALCIUM)];
		logged.push(...believed);
		return [
			{ ...believed[0]!, strength: strong(carbonate, weakUntil.day > day ? weakUntil.factor : 1) },
			{ ...believed[1]!, strength: calcium }
		];
	};

	const changeWater = (at: Instant): WaterEvent[] => {
		const near = (mean: number, sd: number) => normalDeviate(random, mean, sd);
		const mixed: Partial<Record<ParameterId, number>> = nature.salt
			? {
					alkalinity: near(7.6, 0.3),
					calcium: near(418, 10),
					magnesium: near(1330, 20),
					potassium: near(397, 6),
					nitrate: 0.2,
					phosphate: 0.01,
					salinity: 35
				}
			: {
					alkalinity: near(nature.start.alkalinity!, 0.2),
					hardness: near(nature.start.hardness!, 0.3),
					nitrate: near(3, 1)
				};
		const uOf: Partial<Record<ParameterId, number>> = {
			alkalinity: 0.25,
			calcium: 10,
			magnesium: 30,
			potassium: 12,
			nitrate: 0.5,
			phosphate: 0.01,
			salinity: 0.4,
			hardness: 0.4
		};
		const told = (noise: number) =>
			Object.fromEntries(
				Object.entries(mixed).map(([p, value]) => {
					const u = uOf[p as ParameterId] ?? 0.1;
					return [p, { value: Math.max(0, noise === 0 ? value : near(value, noise * u)), u }];
				})
			);
		const fraction = nature.changeFraction;
		logged.push({ kind: 'water-change', at, fraction, newWater: told(1) });
		const really = Math.min(0.9, fraction * (believedL / volumeL) * Math.exp(near(0, 0.04)));
		return [{ kind: 'water-change', at, fraction: really, newWater: told(0) }];
	};

	const decide = ({ day }: Moment, at: Instant, level: Readonly<Levels>): WaterEvent[] => {
		const today = Math.round(day);
		const done: WaterEvent[] = [];
		if (nature.doses) {
			if (faults && weakUntil.day < today && random() < 0.006 * disturbed) {
				weakUntil.day = today + 20;
				weakUntil.factor = 1 - 0.15 * Math.min(3, disturbed) * random();
			}
			// Every four weeks, and soon after the water has gone astray.
			const astray = Math.abs(level.alkalinity! - nature.start.alkalinity!) > ASTRAY_DKH;
			if (today % SETTING_DAYS === 0 || (astray && today > lastSet + 3 && random() < 0.4)) {
				lastSet = today;
				done.push(...setDoses(today, at, level, astray ? ASTRAY_SETTING_DAYS : SETTING_DAYS));
			}
			// A day missed now and then; half of these go unnoticed.
			if (faults && random() < 0.01 * disturbed) {
				const missed: WaterEvent = { kind: 'recurring-dose-missed', at, supplement: 'Part one', days: 1 };
				done.push(missed);
				if (random() < 0.5) logged.push(missed);
			}
		}
		if (today > 0 && today % nature.changeEveryDays === 0) done.push(...changeWater(addDays(at, 0.58)));
		return done;
	};

	const schedule = tests.flatMap(([method, everyDays]) => {
		const phase = between(random, 0, everyDays);
		const times: { at: Instant; method: Method }[] = [];
		for (let day = phase; day < days; day += everyDays * between(random, 0.75, 1.25)) {
			// In the evening, a little earlier or later.
			const at = addDays(start, Math.floor(day) + 0.79 + 0.05 * random());
			if (at < addDays(start, days)) times.push({ at, method });
		}
		return times;
	});

	const spread = (value: number, relative: number) => value * Math.exp(normalDeviate(random, 0, relative));
	const levels: Levels = Object.fromEntries(
		Object.entries(nature.start).map(([p, value]) => [p, spread(value, p === 'salinity' ? 0.005 : 0.03)])
	);
	return {
		script: {
			seed,
			start: { at: start, levels },
			until: addDays(start, days),
			volumeL,
			events,
			living,
			moods,
			tests: schedule,
			decide,
			reader: (at, method): SimulatedReader => ({
				endPointSdDrops: endPointSdDrops * dropShare(method),
				lateDrops: dropShare(method) * (lateness[Math.floor((at - start) / DAY_MS)] ?? 0),
				kitBias: method.kind === 'display' ? 0 : (biases.get(method.code) ?? 0),
				instrumentBias: method.kind === 'display' ? (biases.get(method.code) ?? 0) : 0,
				colourSdSteps: 0.2
			})
		},
		logged: { events: logged, netVolumeL: believedL }
	};
}
