import type { Method } from '$lib/core/method';
import type { KnownKit, RawReading } from '$lib/core/reading';
import type { SimulatedInterval } from '$lib/core/uncertainty';

/** What is measured besides, when un-ionised ammonia is asked for. Spans are evenly likely within. */
export interface AmmoniaSetting {
	readonly ph: { readonly lower: number; readonly upper: number };
	readonly temperatureC: { readonly value: number; readonly u: number };
	readonly salinity: { readonly value: number; readonly u: number };
}

/** One simulation: of one outcome of a reading, or of the un-ionised ammonia that follows from it. */
export interface SimulationRequest {
	readonly method: Method;
	readonly reading: RawReading;
	/** What is known of the kit that it was made with. */
	readonly kit?: KnownKit | null;
	/** Which of the run's outcomes. */
	readonly which: number;
	readonly freeAmmonia: AmmoniaSetting | null;
	readonly draws: number;
	readonly seed: number;
}

export type SimulationMessage =
	| { readonly kind: 'progress'; readonly share: number }
	| { readonly kind: 'done'; readonly result: SimulatedInterval }
	/** Nothing can be simulated: a bound, or a reading that cannot be. */
	| { readonly kind: 'nothing' };
