import { normalDeviate, roundTo, seededRandom, type Random } from '$lib/core/numeric';
import { fail, ok, type Result } from '$lib/core/result';
import type { Clock, Instant } from '$lib/core/time';
import { readFrame, writeFrame, type Frame } from './frame.ts';
import type { Device, PhotometerSession } from './port.ts';

/** What may go wrong with it, to be tried without hardware. */
export const MISHAPS = ['none', 'not-there', 'lost', 'nonsense', 'dirty'] as const;
export type Mishap = (typeof MISHAPS)[number];

export interface SimulatedPhotometerOptions {
	readonly clock: Clock;
	readonly seed: number;
	/** What the treated sample holds, in the display's unit. */
	readonly holds: () => number;
	readonly resolution: number;
	readonly most: number;
	/** Standard deviation of one reading, relative. */
	readonly scatter: number;
	readonly mishap: () => Mishap;
}

const WARM_UP_S = 30;
const BLANK_KEEPS_S = 600;
/** A cold lamp is so much brighter than a warm one, relative, and cools off in so many seconds. */
const COLD_LAMP = 0.06;
const COOLING_S = 25;
/** Slow wandering of the zero, relative per square root of a minute. */
const WANDER = 0.002;

/**
 * A photometer that is none: it warms up, wants a zero, drifts, and fails as real ones do. The same seed and the same
 * times give the same numbers.
 */
export function simulatedPhotometer(options: SimulatedPhotometerOptions): Device<PhotometerSession> {
	const random = seededRandom(options.seed);
	return {
		name: 'Simulated photometer',
		simulated: true,
		connect() {
			return Promise.resolve(
				options.mishap() === 'not-there' ? fail('device-not-there') : ok(new Session(options, random))
			);
		}
	};
}

class Session implements PhotometerSession {
	readonly #options: SimulatedPhotometerOptions;
	readonly #random: Random;
	readonly #startedAt: Instant;
	#blank: { readonly at: Instant; readonly lamp: number } | null = null;
	#lost = false;

	constructor(options: SimulatedPhotometerOptions, random: Random) {
		this.#options = options;
		this.#random = random;
		this.#startedAt = options.clock.now();
	}
	#sinceS(at: Instant): number {
		return (this.#options.clock.now() - at) / 1000;
	}
	/** How bright the lamp is beside a warm one. */
	#lamp(): number {
		return 1 + COLD_LAMP * Math.exp(-this.#sinceS(this.#startedAt) / COOLING_S);
	}
	warmUpLeftS(): number {
		return Math.max(0, Math.ceil(WARM_UP_S - this.#sinceS(this.#startedAt)));
	}
	/** One exchange with the instrument: a line out, a line back. */
	#exchange(answer: () => Frame): Result<Frame> {
		if (this.#options.mishap() === 'lost') this.#lost = true;
		if (this.#lost) return fail('device-lost');
		const line = writeFrame(answer());
		return readFrame(this.#options.mishap() === 'nonsense' ? `${line.slice(0, -3)}?` : line);
	}
	blank(): Promise<Result<void>> {
		const left = this.warmUpLeftS();
		if (left > 0) return Promise.resolve(fail('device-warming', undefined, { seconds: left }));
		const frame = this.#exchange(() => ({ kind: this.#options.mishap() === 'dirty' ? 'dirty' : 'done' }));
		if (!frame.ok) return Promise.resolve(frame);
		if (frame.value.kind === 'dirty') return Promise.resolve(fail('device-dirty'));
		this.#blank = { at: this.#options.clock.now(), lamp: this.#lamp() };
		return Promise.resolve(ok(undefined));
	}
	read(): Promise<Result<number>> {
		if (!this.#blank) return Promise.resolve(fail('device-blank-first'));
		const ageS = this.#sinceS(this.#blank.at);
		if (ageS > BLANK_KEEPS_S) return Promise.resolve(fail('device-blank-old'));
		const { holds, resolution, most, scatter } = this.#options;
		const { lamp } = this.#blank;
		const frame = this.#exchange(() => {
			const zero = this.#lamp() / lamp - 1 + normalDeviate(this.#random, 0, WANDER * Math.sqrt(ageS / 60));
			const seen = normalDeviate(this.#random, holds(), scatter * holds()) + zero * most;
			return seen > most
				? { kind: 'over' }
				: { kind: 'value', values: [Math.max(0, roundTo(seen, resolution))] };
		});
		if (!frame.ok) return Promise.resolve(frame);
		if (frame.value.kind === 'over') return Promise.resolve(fail('device-over'));
		if (frame.value.kind !== 'value') return Promise.resolve(fail('device-nonsense'));
		return Promise.resolve(ok(frame.value.values[0]!));
	}
	close(): void {
		this.#lost = true;
	}
}
