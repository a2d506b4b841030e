import { addDays, civilDate, instantOfLocal, type Instant } from '$lib/core/time';

export interface Day {
	/** Counted from the start. */
	readonly day: number;
	/** 0 is Sunday. */
	readonly weekday: number;
	/** The instant of a local time such as "19:30" on it. */
	at(time: string): Instant;
}

/** The days from a start on, in a zone, as far as their evening is over. */
export function calendar(start: Instant, days: number, timeZone: string, now: Instant): readonly Day[] {
	return Array.from({ length: days + 1 }, (_, day) => {
		const date = civilDate(addDays(start, day), timeZone);
		return {
			day,
			weekday: new Date(`${date}T12:00Z`).getUTCDay(),
			at: (time: string) => instantOfLocal(`${date}T${time}`, timeZone)
		};
	}).filter((d) => d.at('21:00') < now);
}
