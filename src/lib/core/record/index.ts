/** What is kept of a water: what was read, what happened, what is wanted, what it is. */
export { balanceEvents } from './balance.ts';
export { bandAt, plainBand, type DatedBand, type SourcedBand } from './band.ts';
export {
	EVENT_KINDS,
	happeningOf,
	NEW_WATER_U,
	OUT_OF_THE_ORDINARY,
	type Dose,
	type EventContent,
	type EventDetails,
	type EventDetailsOf,
	type EventKind,
	type MissedDose,
	type NewMix,
	type RecurringDose,
	type StoredEvent,
	type WaterChange
} from './event.ts';
export { impossibleEvent } from './impossible-event.ts';
export { lastResultOf, resultsOf, type DatedResult } from './result.ts';
export { aroundEvent, type AroundRow, type AroundWater, type Beside, type Came } from './around-event.ts';
export { runningDoses } from './running-doses.ts';
export { lightsAt, litBy, type DatedLights, type Water } from './water.ts';
