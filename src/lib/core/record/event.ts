import type { KnownValue, SupplementStrength } from '../balance/index.ts';
import type { PanelHappening } from '../judgement/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';

/** A supplement was given once. */
export interface Dose {
	readonly supplement: string;
	/** In mL, or in g where the unit says so. */
	readonly amountMl: number;
	readonly unit?: 'ml' | 'g';
	/** Empty when the keeper doesn't know it: then the estimate knows that something unknown went in. */
	readonly strength: readonly SupplementStrength[];
}

/** A daily dose was set. */
export interface RecurringDose {
	readonly supplement: string;
	/** 0 stops it. */
	readonly amountMlPerDay: number;
	readonly unit?: 'ml' | 'g';
	readonly strength: readonly SupplementStrength[];
}

/** A daily dose was not given for some days. */
export interface MissedDose {
	readonly supplement: string;
	readonly days: number;
}

/** Water was changed. */
export interface WaterChange {
	readonly volumeL: number;
	readonly batch: string;
	readonly newWater: readonly (KnownValue & { readonly parameter: ParameterId })[];
}

/** A batch of new salt water was mixed: which, and from which lot of salt. */
export interface NewMix {
	readonly batch: string;
	readonly saltLot: string;
	readonly volumeL: number;
}

/** New water is tested with the keeper's kits; until the test itself is named, this is their standard uncertainty. */
export const NEW_WATER_U: Readonly<Record<ParameterId, number>> = {
	alkalinity: 0.25,
	calcium: 10,
	magnesium: 30,
	potassium: 12,
	nitrate: 1,
	phosphate: 0.03,
	ammonia: 0.1,
	nitrite: 0.05,
	ph: 0.15,
	salinity: 0.6,
	temperature: 0.3,
	hardness: 0.5
};

type Nothing = Readonly<Record<never, never>>;

/** Something that somebody has a suspicion about. */
export interface Suspect {
	readonly suspected?: ParameterId;
}

/** Every kind of event, and what is known of it besides its time and note. */
export interface EventDetailsOf {
	readonly dose: Dose;
	readonly 'recurring-dose': RecurringDose;
	readonly 'recurring-dose-missed': MissedDose;
	readonly 'water-change': WaterChange;
	readonly 'new-mix': NewMix;
	readonly 'top-up': Nothing;
	readonly 'medium-in': Suspect;
	readonly 'medium-out': Nothing;
	readonly feeding: Nothing;
	readonly 'animals-in': Nothing;
	readonly 'animals-out': Nothing;
	readonly 'animal-moved': Suspect;
	readonly death: Suspect;
	readonly algae: Suspect;
	readonly browning: Suspect;
	/** A closed bottle of it was put aside for the laboratory. */
	readonly 'bottle-kept': Nothing;
	readonly failure: Nothing;
	readonly note: Nothing;
}

export type EventKind = keyof EventDetailsOf;

/** Every kind, in the order in which they are offered. */
export const EVENT_KINDS = [
	'dose',
	'recurring-dose',
	'recurring-dose-missed',
	'water-change',
	'new-mix',
	'top-up',
	'medium-in',
	'medium-out',
	'feeding',
	'animals-in',
	'animals-out',
	'animal-moved',
	'death',
	'algae',
	'browning',
	'bottle-kept',
	'failure',
	'note'
] as const satisfies readonly EventKind[];

export type EventDetails = EventDetailsOf[EventKind];

/** What happened: its kind tells what else is known of it. */
export type EventContent = {
	readonly [K in EventKind]: { readonly kind: K; readonly details: EventDetailsOf[K] };
}[EventKind];

/** One thing that happened to a water. */
export type StoredEvent = EventContent & {
	readonly id: string;
	readonly waterId: string;
	readonly note: string;
	readonly happenedAt: Instant;
	readonly offsetMinutes: number;
};

/** What is no routine: it may have moved the water, and is named where something moved. */
export const OUT_OF_THE_ORDINARY: ReadonlySet<EventKind> = new Set<EventKind>([
	'recurring-dose-missed',
	'failure',
	'death',
	'algae',
	'browning',
	'animals-in',
	'animals-out',
	'animal-moved',
	'medium-in',
	'medium-out'
]);

const HAPPENING_OF: Readonly<Partial<Record<EventKind, PanelHappening>>> = {
	'animal-moved': 'moved',
	death: 'death',
	algae: 'algae',
	browning: 'browning',
	'new-mix': 'new-salt',
	'medium-in': 'new-medium'
};

/** What an event is a reason to test for; null where it asks for no tests. */
export function happeningOf(kind: EventKind): PanelHappening | null {
	return HAPPENING_OF[kind] ?? null;
}
