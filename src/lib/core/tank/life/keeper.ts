import type { SupplementStrength, WaterEvent } from '../../balance/index.ts';
import { normalDeviate, type Random } from '../../numeric/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import type { Levels } from '../levels.ts';
import type { Nature } from '../natures.ts';
import type { Moment } from '../simulate-water.ts';
import { CALCIUM_PER_DKH } from './living.ts';
import { CALCIUM, CARBONATE, strong, type Traits } from './traits.ts';

const SETTING_DAYS = 28;
/** A keeper who sees alkalinity so far off sets the doses anew, to be back in this time. */
const ASTRAY_DKH = 1.5;
const ASTRAY_SETTING_DAYS = 10;

/** Standard uncertainty of what the keeper reads of the new water. */
const NEW_WATER_U: Readonly<Partial<Record<ParameterId, number>>> = {
	alkalinity: 0.25,
	calcium: 10,
	magnesium: 30,
	potassium: 12,
	nitrate: 0.5,
	phosphate: 0.01,
	salinity: 0.4,
	hardness: 0.4
};

interface Kept {
	readonly random: Random;
	readonly nature: Nature;
	readonly traits: Traits;
	readonly disturbed: number;
	/** Doses are missed, noticed or not, and batches are weaker than their label. */
	readonly faults: boolean;
	/** Alkalinity that is really used on a day, dKH. */
	readonly uptakeOn: (day: number) => number;
}

/** Somebody who doses, changes water, forgets, and writes most of it down. */
export class Keeper {
	/** What was written down, with the strengths and the volume that the keeper believes in. */
	readonly logged: WaterEvent[] = [];
	#lastSetDay = 0;
	#weakUntilDay = -1;
	#weakFactor = 1;

	constructor(private readonly kept: Kept) {}

	/** What the keeper really does on a day. */
	decide({ day }: Moment, at: Instant, level: Readonly<Levels>): WaterEvent[] {
		const { nature } = this.kept;
		const today = Math.round(day);
		const done = nature.doses ? this.#doseOn(today, at, level) : [];
		if (today > 0 && today % nature.changeEveryDays === 0) done.push(...this.#changeWater(addDays(at, 0.58)));
		return done;
	}

	#doseOn(today: number, at: Instant, level: Readonly<Levels>): WaterEvent[] {
		const { random, nature, disturbed, faults } = this.kept;
		const done: WaterEvent[] = [];
		if (faults && this.#weakUntilDay < today && random() < 0.006 * disturbed) {
			this.#weakUntilDay = today + 20;
			this.#weakFactor = 1 - 0.15 * Math.min(3, disturbed) * random();
		}
		// Every four weeks, and soon after the water has gone astray.
		const astray = Math.abs(level.alkalinity! - nature.start.alkalinity!) > ASTRAY_DKH;
		if (today % SETTING_DAYS === 0 || (astray && today > this.#lastSetDay + 3 && random() < 0.4)) {
			this.#lastSetDay = today;
			done.push(...this.#setDoses(today, at, level, astray ? ASTRAY_SETTING_DAYS : SETTING_DAYS));
		}
		// A day missed now and then; half of these go unnoticed.
		if (faults && random() < 0.01 * disturbed) {
			const missed: WaterEvent = { kind: 'recurring-dose-missed', at, supplement: 'Part one', days: 1 };
			done.push(missed);
			if (random() < 0.5) this.logged.push(missed);
		}
		return done;
	}

	#setDoses(day: number, at: Instant, level: Readonly<Levels>, settingDays: number): WaterEvent[] {
		const { random, nature, traits, uptakeOn } = this.kept;
		// The keeper knows the demand about, and steers a little back to the aim.
		const guess = uptakeOn(day) * Math.exp(normalDeviate(random, 0, 0.08));
		const back = (parameter: 'alkalinity' | 'calcium') =>
			(0.6 * (nature.start[parameter]! - level[parameter]!)) / settingDays;
		const set = (supplement: string, rise: number, label: readonly SupplementStrength[]) => ({
			kind: 'recurring-dose' as const,
			at,
			supplement,
			amountMlPerDay: (Math.max(0, rise) * traits.believedL) / 100 / label[0]!.risePerMlIn100L,
			strength: label
		});
		const one = set('Part one', guess + back('alkalinity'), CARBONATE);
		const two = set('Part two', CALCIUM_PER_DKH * guess + back('calcium'), CALCIUM);
		this.logged.push(one, two);
		const weak = this.#weakUntilDay > day ? this.#weakFactor : 1;
		return [
			{ ...one, strength: strong(traits.carbonate, weak) },
			{ ...two, strength: traits.calcium }
		];
	}

	#mixed(): Partial<Record<ParameterId, number>> {
		const { random, nature } = this.kept;
		const near = (mean: number, sd: number) => normalDeviate(random, mean, sd);
		return nature.salt
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
	}

	#changeWater(at: Instant): WaterEvent[] {
		const { random, nature, traits } = this.kept;
		const mixed = this.#mixed();
		const told = (noise: number) =>
			Object.fromEntries(
				Object.entries(mixed).map(([p, value]) => {
					const u = NEW_WATER_U[p as ParameterId] ?? 0.1;
					const read = noise === 0 ? value : normalDeviate(random, value, noise * u);
					return [p, { value: Math.max(0, read), u }];
				})
			);
		const fraction = nature.changeFraction;
		this.logged.push({ kind: 'water-change', at, fraction, newWater: told(1) });
		const really = fraction * (traits.believedL / traits.volumeL) * Math.exp(normalDeviate(random, 0, 0.04));
		return [{ kind: 'water-change', at, fraction: Math.min(0.9, really), newWater: told(0) }];
	}
}
