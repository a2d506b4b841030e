import { instantOfLocal, typedMoment } from '$lib/core/time';
import { reader } from '$lib/format/reader';

/** Reads a day and a time as their reader types them; NaN, which every schema refuses, where they are none. */
export function typedInstant(text: string, timeZone: string): number {
	try {
		return instantOfLocal(typedMoment(text, reader().dates, null) ?? text, timeZone);
	} catch {
		return Number.NaN;
	}
}
