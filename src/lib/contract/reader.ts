/** How a person has numbers, days, times and volumes. */

export const DATE_ORDERS = ['day', 'month', 'year'] as const;
export const CLOCKS = ['24', '12'] as const;
export const DECIMALS = ['point', 'comma'] as const;
export const VOLUMES = ['litres', 'us-gallons'] as const;
export const TEMPERATURES = ['celsius', 'fahrenheit'] as const;

export interface Reader {
	/** What comes first in a date. */
	readonly dates: (typeof DATE_ORDERS)[number];
	/** Hours of the clock. */
	readonly clock: (typeof CLOCKS)[number];
	readonly decimals: (typeof DECIMALS)[number];
	readonly volumes: (typeof VOLUMES)[number];
	readonly temperatures: (typeof TEMPERATURES)[number];
}

/** Words are British; so is whoever does not say otherwise. */
export const BRITISH: Reader = {
	dates: 'day',
	clock: '24',
	decimals: 'point',
	volumes: 'litres',
	temperatures: 'celsius'
};

/** Where tanks are sold by the gallon and heated in degrees Fahrenheit. */
const AMERICAN = new Set(['US', 'PR', 'GU', 'VI', 'LR']);

/** Region of the first language that a browser asks for, upper case; '' where it names none. */
export function regionOf(acceptLanguage: string | null): string {
	const [first = ''] = (acceptLanguage ?? '').split(',');
	const [tag = ''] = first.split(';');
	try {
		const locale = new Intl.Locale(tag.trim());
		// English by itself says nothing of where one lives.
		return (locale.language === 'en' ? locale : locale.maximize()).region ?? '';
	} catch {
		return '';
	}
}

const MOST_SEEN = 200;
const seen = new Map<string, Reader>();

/**
 * What is usual where the browser says that its reader lives, by the platform's own tables (Unicode CLDR).
 *
 * @param acceptLanguage the request's header, such as "de-AT,de;q=0.9"
 */
export function usualFor(acceptLanguage: string | null): Reader {
	const header = acceptLanguage ?? '';
	const known = seen.get(header);
	if (known) return known;
	const usual = readOff(header);
	// Formatters are dear, and browsers few; who sends many headers gains nothing by it.
	if (seen.size >= MOST_SEEN) seen.clear();
	seen.set(header, usual);
	return usual;
}

function readOff(acceptLanguage: string): Reader {
	const region = regionOf(acceptLanguage);
	if (region === '') return BRITISH;
	const [tag = ''] = acceptLanguage.split(/[,;]/);
	const locale = tag.trim();
	const [first] = new Intl.DateTimeFormat(locale, { day: '2-digit', month: '2-digit', year: 'numeric' })
		.formatToParts(0)
		.map((p) => p.type)
		.filter((t): t is Reader['dates'] => (DATE_ORDERS as readonly string[]).includes(t));
	const { hour12 } = new Intl.DateTimeFormat(locale, { hour: 'numeric' }).resolvedOptions();
	const decimal = new Intl.NumberFormat(locale).formatToParts(1.5).find((p) => p.type === 'decimal')?.value;
	const american = AMERICAN.has(region);
	return {
		dates: first ?? BRITISH.dates,
		clock: hour12 ? '12' : '24',
		decimals: decimal === ',' ? 'comma' : 'point',
		volumes: american ? 'us-gallons' : 'litres',
		temperatures: american ? 'fahrenheit' : 'celsius'
	};
}
