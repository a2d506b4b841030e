// Starts again what ended by itself, a few times; after that the person at the terminal is told.
import { setTimeout as sleep } from 'node:timers/promises';
import { stop } from './say.mjs';

const MOST_RESTARTS = 3;
/** What ran for so long is not the same failure again. */
const FORGIVEN_MS = 10 * 60_000;

/**
 * Watches parts until `finishing` says that they are meant to end.
 *
 * @param {{ parts: { name: string, ended: () => Promise<void>, again: () => Promise<unknown> }[],
 *   finishing: () => boolean, say?: (line: string) => void, now?: () => number, pauseMs?: number }} given
 */
export async function supervise({ parts, finishing, say = console.log, now = Date.now, pauseMs = 500 }) {
	const watch = async ({ name, ended, again }) => {
		let restarts = [];
		for (;;) {
			await ended();
			if (finishing()) return;
			restarts = restarts.filter((at) => now() - at < FORGIVEN_MS);
			if (restarts.length >= MOST_RESTARTS) {
				stop(
					`The ${name} ended ${MOST_RESTARTS + 1} times in a short while and is not started again. What was saved is kept; look at what it said above, then start Tevrik again.`
				);
			}
			restarts.push(now());
			say(
				`The ${name} ended unexpectedly and is started again (${restarts.length} of ${MOST_RESTARTS}). What was saved is kept.`
			);
			await sleep(pauseMs);
			if (finishing()) return;
			await again();
		}
	};
	// The first that gives up ends all; an end that was wished for ends with the last.
	await Promise.all(parts.map(watch));
}
