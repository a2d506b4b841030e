import type { ParameterId } from '../quantity/index.ts';
import type { Band } from './band.ts';

/** What has happened, and asks for tests. */
export const HAPPENINGS = [
	'death',
	'algae',
	'browning',
	'new-salt',
	'new-medium',
	'moved',
	'doubtful',
	'before-change',
	'after-change'
] as const;
export type Happening = (typeof HAPPENINGS)[number];

/** The happenings that have a panel of their own; a doubtful result asks for itself again. */
export type PanelHappening = Exclude<Happening, 'doubtful'>;

/** What each asks for, the most telling first. Why, and what an outcome would mean, is said by `format/panel`. */
export const PANELS = {
	death: ['ammonia', 'nitrite', 'nitrate', 'salinity', 'temperature', 'alkalinity', 'ph'],
	algae: ['nitrate', 'phosphate'],
	browning: ['nitrate', 'phosphate', 'alkalinity', 'salinity'],
	'new-salt': ['salinity', 'alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate'],
	'new-medium': ['phosphate', 'nitrate', 'alkalinity'],
	moved: ['salinity', 'temperature', 'alkalinity', 'ph', 'nitrate'],
	// The same before and after, so that both stand beside each other.
	'before-change': ['salinity', 'alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate'],
	'after-change': ['salinity', 'alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate']
} as const satisfies Readonly<Record<PanelHappening, readonly ParameterId[]>>;

/** A band that reaches no higher wants none of it, canonical unit (convention). */
const MOST_OF_NONE = 0.1;

/** Of what is wanted in traces only, none is as it should be: it is never low. */
export function isNoneWanted(band: Band | null): boolean {
	return band !== null && band.low === null && (band.high ?? 1) <= MOST_OF_NONE;
}

/** A panel stays open for so many days after what asked for it. */
export const PANEL_DAYS = 7;
