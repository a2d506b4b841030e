import type { Result } from '$lib/core/result';

/**
 * What the application asks of a device beside the bench, whatever it is connected by. A real one and the simulated one
 * that ships are both behind this; docs/devices.md says how to add one.
 *
 * Every call answers: what went wrong is a fault with words of its own, never an exception, and nothing of it is taken
 * for a reading.
 */
export interface Device<S> {
	readonly name: string;
	/** True of a stand-in, which must be said wherever its numbers are shown. */
	readonly simulated: boolean;
	/** @returns fails with `device-not-there` where nothing answers */
	connect(): Promise<Result<S>>;
}

/** A photometer, once connected: zero on the plain sample, then the treated one. */
export interface PhotometerSession {
	/** Seconds until its lamp is warm; 0 when it is. */
	warmUpLeftS(): number;
	/** Sets the zero on the plain sample. Fails while warming up, on a dirty cuvette, on a lost connection. */
	blank(): Promise<Result<void>>;
	/** What the display shows, in its own unit. Fails before a zero was set, or where that is too old. */
	read(): Promise<Result<number>>;
	close(): void;
}

/** A probe in the water, once connected. */
export interface ProbeSession {
	/** What it shows now, and whether it has come to rest. */
	read(): Promise<
		Result<{ readonly shown: number; readonly temperatureC: number; readonly settled: boolean }>
	>;
	close(): void;
}
