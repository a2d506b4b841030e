import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { BETWEEN_SCHOOLS, END_POINTS, type EndPoint, type StepReading } from '$lib/core/reading';
import { readRows } from './trend-address';
import { CLOCKS, DATE_ORDERS, DECIMALS, usualFor, VOLUMES, type Reader } from './reader';
import { LID_SCHOOLS, MIXING_SCHOOLS, RINSE_SCHOOLS, type Handling } from './handling';
import { TRUST_SCHOOLS, UNUSED_SCHOOLS, type ShelfHabits } from './shelf-view';

export const THEMES = ['system', 'light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];

/** As the browser has it, until a person says otherwise. */
export const BROWSER = 'browser';

/** What a person likes on this device; kept in a cookie, so that the first answer has it. */
export interface Preferences extends ShelfHabits, Handling {
	readonly theme: Theme;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
	/** How this person stops a titration. */
	readonly endPoint: EndPoint;
	/** How this person records a colour between two steps. */
	readonly between: StepReading['between'];
	/** The first look at the demo is shown once. */
	readonly tour: 'offered' | 'seen';
	/** The rows of trends in their order; null is all, in the usual one. */
	readonly trendRows: readonly ParameterId[] | null;
	/** What was chosen of numbers and dates: the rest is as the browser has it. */
	readonly region: { readonly [K in Exclude<keyof Reader, 'temperatures'>]: Reader[K] | typeof BROWSER };
	/** What is usual where the browser says that its reader lives. */
	readonly usual: Reader;
	/** What follows from both. */
	readonly reader: Reader;
}

export const PREFERENCES_COOKIE = 'tevrik_preferences';

/** All that can be chosen; the first is the default. */
const CHOICES = {
	theme: THEMES,
	tour: ['offered', 'seen'],
	endPoint: END_POINTS,
	between: BETWEEN_SCHOOLS,
	trust: TRUST_SCHOOLS,
	unused: UNUSED_SCHOOLS,
	rinse: RINSE_SCHOOLS,
	mixing: MIXING_SCHOOLS,
	lid: LID_SCHOOLS,
	dates: [BROWSER, ...DATE_ORDERS],
	clock: [BROWSER, ...CLOCKS],
	decimals: [BROWSER, ...DECIMALS],
	volumes: [BROWSER, ...VOLUMES]
} as const;
type Choices = typeof CHOICES;
const TREND_ROWS = 'trendRows';

const offered = (key: string): readonly string[] =>
	Object.hasOwn(CHOICES, key)
		? CHOICES[key as keyof Choices]
		: PARAMETER_IDS.includes(key as ParameterId)
			? PARAMETERS[key as ParameterId].units
			: [];

/** What was chosen of what is offered; anything else is passed over. */
function chosen(text: string | undefined): ReadonlyMap<string, string> {
	const entries = (text ?? '').split(',').map((e) => e.split(':') as [string, string]);
	return new Map(
		entries.flatMap(([key, value]): [string, string][] => {
			if (key === TREND_ROWS) return [[key, readRows(value)?.join('.') ?? '']];
			return offered(key).includes(value) ? [[key, value]] : [];
		})
	);
}

/**
 * Reads "theme:dark,alkalinity:meq-per-l"; whatever is not known falls back to the default.
 *
 * @param acceptLanguage the header of the request, which tells what is usual where nothing was chosen
 */
export function readPreferences(text: string | undefined, acceptLanguage: string | null = null): Preferences {
	const entries = chosen(text);
	const of = <K extends keyof Choices>(key: K) => (entries.get(key) ?? CHOICES[key][0]) as Choices[K][number];
	const usual = usualFor(acceptLanguage);
	const region = {
		dates: of('dates'),
		clock: of('clock'),
		decimals: of('decimals'),
		volumes: of('volumes')
	};
	const own = Object.fromEntries(Object.entries(region).filter(([, value]) => value !== BROWSER));
	const usualUnit = (id: ParameterId): UnitId =>
		id === 'temperature' ? usual.temperatures : PARAMETERS[id].units[0]!;
	const units = Object.fromEntries(
		PARAMETER_IDS.map((id) => [id, entries.get(id) ?? usualUnit(id)])
	) as Record<ParameterId, UnitId>;
	// The unit of temperature is chosen among the others.
	const reader = { ...usual, ...own, temperatures: units.temperature } as Reader;
	return {
		theme: of('theme'),
		tour: of('tour'),
		units,
		endPoint: of('endPoint'),
		between: of('between'),
		trust: of('trust'),
		unused: of('unused'),
		rinse: of('rinse'),
		mixing: of('mixing'),
		lid: of('lid'),
		trendRows: readRows(entries.get(TREND_ROWS)),
		region,
		usual,
		reader
	};
}

/** The cookie after something was chosen: what was chosen before stays, what is not offered is passed over. */
export function changePreferences(
	text: string | undefined,
	changes: Iterable<readonly [string, unknown]>
): string {
	const asked = [...changes].flatMap(([key, value]) =>
		typeof value === 'string' ? [`${key}:${value}`] : []
	);
	return [...chosen([text ?? '', ...asked].join(','))].map(([key, value]) => `${key}:${value}`).join(',');
}
