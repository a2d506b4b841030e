import { V7Generator } from 'uuidv7';
import type { Clock } from '$lib/core/time';

/** Makes UUID v7 in the clock's time. */
export function idMaker(clock: Clock): () => string {
	const generator = new V7Generator();
	return () => generator.generateOrResetWithTs(clock.now()).toString();
}
