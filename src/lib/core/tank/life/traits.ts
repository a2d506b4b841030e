import type { SupplementStrength } from '../../balance/index.ts';
import type { Method } from '../../method/index.ts';
import { normalDeviate, type Random } from '../../numeric/index.ts';
import { derive, pointOf } from '../../reading/index.ts';
import type { Levels } from '../levels.ts';
import type { Nature } from '../natures.ts';
import { CALM_READER, readBy } from '../reader.ts';

/** What the labels claim: dKH and mg/L that one millilitre brings to a hundred litres. */
export const CARBONATE: readonly SupplementStrength[] = [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }];
export const CALCIUM: readonly SupplementStrength[] = [{ parameter: 'calcium', risePerMlIn100L: 1 }];

/** What one tank and its keeper are like, where no other is quite the same. */
export interface Traits {
	/** The net volume that the keeper believes in, and the one that it is, L. */
	readonly believedL: number;
	readonly volumeL: number;
	/** The supplements as they are, whatever their labels say. */
	readonly carbonate: readonly SupplementStrength[];
	readonly calcium: readonly SupplementStrength[];
	/** Alkalinity that is built in at first, dKH a day, and by how much that grows a day, relative. */
	readonly uptakeAtFirst: number;
	readonly growthPerDay: number;
	/** What is used besides, mg/L a day. */
	readonly magnesiumUse: number;
	readonly potassiumUse: number;
	/** The error that is in all readings of a kit, by its code; relative, of a display in its own unit. */
	readonly biases: ReadonlyMap<string, number>;
	readonly endPointSdDrops: number;
	/** Slow wandering, one value a day. */
	readonly drift: Readonly<Record<'uptake' | 'feeding' | 'salt' | 'reader', readonly number[]>>;
}

export const between = (random: Random, least: number, most: number) => least + random() * (most - least);

export function strong(strength: readonly SupplementStrength[], by: number): readonly SupplementStrength[] {
	return strength.map((s) => ({ ...s, risePerMlIn100L: s.risePerMlIn100L * by }));
}

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

/** Draws a tank of a kind. The order of the draws is part of every simulated life: another would be another tank. */
export function drawTraits(
	random: Random,
	nature: Nature,
	{
		days,
		disturbed,
		uptake,
		methods
	}: {
		readonly days: number;
		/** Every disturbance so many times as large. */
		readonly disturbed: number;
		readonly uptake: readonly [least: number, most: number];
		readonly methods: readonly Method[];
	}
): Traits {
	const off = (sd: number) => Math.exp(normalDeviate(random, 0, sd * disturbed));
	const wander = (sdPerRootDay: number, backPerDay: number) => {
		let value = 0;
		return Array.from({ length: days + 2 }, () => {
			value = value * (1 - backPerDay) + normalDeviate(random, 0, sdPerRootDay * disturbed);
			return value;
		});
	};
	const believedL = between(random, 80, 600);
	const use = nature.doses ? 1 : 0.2;
	return {
		believedL,
		volumeL: believedL * off(0.06),
		carbonate: strong(CARBONATE, off(0.05)),
		calcium: strong(CALCIUM, off(0.05)),
		uptakeAtFirst: between(random, ...uptake),
		growthPerDay: normalDeviate(random, 0.0006, 0.0006) * disturbed,
		magnesiumUse: between(random, 0.1, 0.5) * use,
		potassiumUse: between(random, 0.03, 0.25) * use,
		biases: kitBiases(random, methods, nature.start),
		endPointSdDrops: between(random, 0.6, 1.2),
		drift: {
			// A quarter of itself in thirty days.
			uptake: wander(0.25 / Math.sqrt(30), 0.004),
			feeding: wander(0.08, 0.08),
			salt: wander(0.09, 0.05),
			reader: wander(0.05, 0.03)
		}
	};
}
