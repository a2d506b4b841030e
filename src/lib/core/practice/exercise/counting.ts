import type { Random } from '../../numeric/index.ts';

/** What happens while drops are counted. */
export interface CountEvent {
	/** Seconds since the first drop. */
	readonly atS: number;
	readonly what: 'drop' | 'pour' | 'call' | 'number';
	/** Of a pouring bottle the drops that came at once; of a number called out in between, which. */
	readonly amount?: number;
}

/** Drops that fall while something goes on beside them, and how many there were. */
export interface CountExercise {
	readonly events: readonly CountEvent[];
	readonly drops: number;
}

/** Numbers that are taken for each other when they are said. */
const SOUND_ALIKE: readonly (readonly [number, number])[] = [
	[13, 30],
	[14, 40],
	[15, 50],
	[16, 60],
	[17, 70],
	[18, 80],
	[19, 90]
];
const POURED = 3;

/**
 * Drops at the pace of a hand.
 *
 * @param disturbed the telephone, numbers called out, and once a bottle that pours
 */
export function countExercise(random: Random, disturbed: boolean): CountExercise {
	const target = 12 + Math.floor(random() * 18);
	const pourAt = disturbed && random() < 0.5 ? 4 + Math.floor(random() * (target - 8)) : -1;
	const events: CountEvent[] = [];
	let drops = 0;
	let atS = 0.8;
	while (drops < target) {
		if (drops === pourAt) {
			events.push({ atS, what: 'pour', amount: POURED });
			drops += POURED;
		} else {
			events.push({ atS, what: 'drop' });
			drops += 1;
		}
		if (disturbed && random() < 0.18) {
			const [low, high] = SOUND_ALIKE[Math.floor(random() * SOUND_ALIKE.length)]!;
			events.push(
				random() < 0.3
					? { atS: atS + 0.3, what: 'call' }
					: { atS: atS + 0.3, what: 'number', amount: random() < 0.5 ? low : high }
			);
		}
		atS += 0.65 + 0.5 * random();
	}
	return { events, drops };
}
