import { V7Generator } from 'uuidv7';
import { instant, type Clock } from '$lib/core/time';

/** What the browser needs to run the same clock: where it was at a moment of the machine, and how fast it goes. */
export interface ClockSetting {
	readonly startMs: number;
	readonly machineStartMs: number;
	readonly rate: number;
}

/**
 * Reads `TEVRIK_CLOCK`, "START" or "START,RATE": an ISO time at which the clock begins, and how many times
 * faster than the machine's it runs (0 stands still). For development, pictures and tests.
 *
 * @throws {Error} when it cannot be read
 */
export function clockSetting(text: string | undefined, machineMs: number): ClockSetting | null {
	if (!text) return null;
	const [start = '', rate = '1'] = text.split(',');
	const startMs = Date.parse(start);
	if (!Number.isFinite(startMs) || !(Number(rate) >= 0)) {
		throw new Error(`TEVRIK_CLOCK is "${text}"; it must be an ISO time, or an ISO time and a rate`);
	}
	return { startMs, machineStartMs: machineMs, rate: Number(rate) };
}

/** A clock that was set can be moved on, by whoever set it. */
export interface ServerClock extends Clock {
	move(byMs: number): void;
}

/** The one real clock of the server. The machine's own is never moved. */
export function serverClock(setting: ClockSetting | null): ServerClock {
	const machine = () => performance.timeOrigin + performance.now();
	let movedMs = 0;
	return {
		now: () =>
			instant(
				Math.round(
					setting
						? setting.startMs + movedMs + (machine() - setting.machineStartMs) * setting.rate
						: machine()
				)
			),
		move(byMs) {
			movedMs += byMs;
		}
	};
}

/** UUID v7 in the clock's time; ids of one process always rise. */
export function idMaker(clock: Clock): () => string {
	const generator = new V7Generator();
	return () => generator.generateOrResetWithTs(clock.now()).toString();
}
