import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { BETWEEN_SCHOOLS, END_POINTS, type EndPoint, type StepReading } from '$lib/core/reading';

import { TRUST_SCHOOLS, UNUSED_SCHOOLS, type ShelfHabits } from './shelf-view';

export const THEMES = ['system', 'light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];

/** What a person likes on this device; kept in a cookie, so that the first answer has it. */
export interface Preferences extends ShelfHabits {
	readonly theme: Theme;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
	/** How this person stops a titration. */
	readonly endPoint: EndPoint;
	/** How this person records a colour between two steps. */
	readonly between: StepReading['between'];
}

export const PREFERENCES_COOKIE = 'tevrik_preferences';

/** Reads "theme:dark,alkalinity:meq-per-l"; whatever is not known falls back to the default. */
export function readPreferences(text: string | undefined): Preferences {
	const entries = new Map((text ?? '').split(',').map((e) => e.split(':') as [string, string]));
	const theme = THEMES.find((t) => t === entries.get('theme')) ?? 'system';
	const units = Object.fromEntries(
		Object.entries(PARAMETERS).map(([id, { units: offered }]) => [
			id,
			offered.find((u) => u === entries.get(id)) ?? offered[0]!
		])
	) as Record<ParameterId, UnitId>;
	return {
		theme,
		units,
		endPoint: END_POINTS.find((e) => e === entries.get('endPoint')) ?? 'full',
		between: BETWEEN_SCHOOLS.find((b) => b === entries.get('between')) ?? 'interpolate',
		trust: TRUST_SCHOOLS.find((t) => t === entries.get('trust')) ?? 'standards',
		unused: UNUSED_SCHOOLS.find((u) => u === entries.get('unused')) ?? 'discard'
	};
}

export function writePreferences({ units, ...habits }: Preferences): string {
	return Object.entries({ ...habits, ...units })
		.map(([key, value]) => `${key}:${value}`)
		.join(',');
}
