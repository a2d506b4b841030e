/** Points in time and calendar days, without a clock of their own. */
export {
	instant,
	toIso,
	fromIso,
	daysBetween,
	addDays,
	addSeconds,
	DAY_MS,
	type Instant,
	type Clock
} from './instant.ts';
export {
	civilDate,
	weekdayOf,
	endOfDay,
	instantOnDay,
	isZone,
	knowZone,
	offsetMinutes,
	steadySpans,
	type CivilDate,
	type SteadySpan
} from './zone.ts';
export { instantOfLocal } from './local-time.ts';
export { inOrderByNow, isFuture, type NamedTime } from './order.ts';
export { minuteOfTime, timeOfMinute, typedDay, typedMoment, typedTime, type DateOrder } from './typed.ts';
