import type { Levels } from '../levels.ts';
import type { Nature } from '../natures.ts';
import type { Moment } from '../simulate-water.ts';
import type { Traits } from './traits.ts';

/** mg/L. The life of a tank does not take the estimate's own figure: what is judged by it must not be made with it. */
export const CALCIUM_PER_DKH = 7.147;

/** What lives and happens in a tank by itself. */
export class Living {
	constructor(
		private readonly nature: Nature,
		private readonly traits: Traits,
		/** All that is used and left behind, as a factor from some day on. */
		private readonly step: { readonly day: number; readonly factor: number } | undefined
	) {}

	/** Alkalinity that is built in on a day, dKH. */
	uptakeOn(day: number): number {
		const { uptakeAtFirst, growthPerDay, drift } = this.traits;
		const grown = Math.exp(growthPerDay * day + (drift.uptake[Math.floor(day)] ?? 0));
		return uptakeAtFirst * grown * this.#stepped(day);
	}

	#stepped(day: number): number {
		return this.step && day >= this.step.day ? this.step.factor : 1;
	}

	/** Changes a day. Corals build by light, and by what they find; what falls out by itself on heaters grows with how far the water is overcharged. */
	changes({ day, light, wobble }: Moment, level: Readonly<Levels>): Levels {
		const { nature, traits } = this;
		const stepped = this.#stepped(day);
		const plenty = Math.min(1, (level.alkalinity ?? 0) / (0.4 * nature.start.alkalinity!));
		const built = this.uptakeOn(day) * (1 + 0.4 * (light - 1)) * wobble * plenty;
		const fallen = 0.02 * traits.uptakeAtFirst * Math.max(0, (level.alkalinity ?? 8) - 8.5) ** 2;
		const fed = Math.exp(traits.drift.feeding[Math.floor(day)] ?? 0) * wobble * stepped;
		const left = nature.nitrateLoad * fed;
		const nitrified = 0.0452 * left * 0.4 * plenty;
		return {
			alkalinity: -built - fallen - nitrified,
			calcium: -(built + fallen) * CALCIUM_PER_DKH,
			magnesium: -traits.magnesiumUse * wobble * stepped - 0.0867 * built,
			potassium: -traits.potassiumUse * wobble * stepped,
			nitrate: left - nature.export * (level.nitrate ?? 0),
			phosphate: nature.phosphateLoad * fed - nature.export * (level.phosphate ?? 0),
			hardness: 0.004 * wobble,
			salinity: 0
		};
	}

	/** Evaporation and topping up: the salt stays, the water comes and goes. */
	moods({ day }: Moment, level: Readonly<Levels>): Levels {
		if (!this.nature.salt) return {};
		const salinity = (level.salinity ?? 35) + (this.traits.drift.salt[Math.floor(day)] ?? 0);
		const ratio = salinity / 35;
		return {
			salinity,
			calcium: (level.calcium ?? 0) * ratio,
			magnesium: (level.magnesium ?? 0) * ratio,
			potassium: (level.potassium ?? 0) * ratio
		};
	}
}
