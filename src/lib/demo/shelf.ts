import { NO_DETAILS, type AddItem, type ShelfDetails } from '$lib/contract/shelf';
import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_SYRINGE,
	K_FILTER,
	MG_SYRINGE,
	NH3_CARD,
	NO2_CARD,
	NO3_CARD,
	PH_CARD,
	PO4_CARD,
	SALINITY_GLASS,
	THERMOMETER,
	type Method
} from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import { usePerTest } from '$lib/core/shelf';
import { CALM_READER, readBy, type Levels } from '$lib/core/tank';
import { addDays, type Instant } from '$lib/core/time';
import { DISPLAY_OFF } from './display-pairs';
import type { DemoCheck, DemoReading, DemoShelf, DemoShelfNote, DemoThing } from './story';

const CHECKED_DAYS_AGO = 8;
/** The standard of the shelf, as its label has it. */
const MAJOR: Readonly<Levels> = { alkalinity: 8.1, calcium: 425, magnesium: 1310, potassium: 395 };
const SEED = 77;

/** Bottles that do for the tests on the pack, and a little over. */
function bottlesFor(method: Method): ShelfDetails['bottles'] {
	const tests = method.pack.tests ?? 50;
	return usePerTest(method, 'full', { putsBack: false, levels: {} }).map(({ reagent, unit, amount }) => ({
		reagent,
		unit,
		full: Math.ceil(amount * tests)
	}));
}

interface Lot {
	readonly key: string;
	readonly method: Method;
	readonly lot: string;
	readonly boughtDaysAgo: number;
	/** Null while it is closed. */
	readonly openedDaysAgo: number | null;
	readonly goodForDays: number;
	readonly notes?: readonly DemoShelfNote[];
}

function kit(
	now: Instant,
	{ key, method, lot, boughtDaysAgo, openedDaysAgo, goodForDays, notes = [] }: Lot
): DemoThing {
	const opened: DemoShelfNote[] =
		openedDaysAgo === null
			? []
			: [
					{ at: addDays(now, -openedDaysAgo), kind: 'opened', details: { sameLeaflet: true } },
					{ at: addDays(now, -openedDaysAgo), kind: 'box-checked', details: { complete: true } }
				];
	return {
		key,
		method,
		row: {
			kind: 'kit',
			name: method.name,
			lotCode: lot,
			price: method.pack.price,
			boughtAt: addDays(now, -boughtDaysAgo),
			expiresAt: addDays(now, goodForDays),
			details: { ...NO_DETAILS, tests: method.pack.tests, bottles: bottlesFor(method) }
		},
		notes: [...opened, ...notes]
	};
}

function other(
	now: Instant,
	kind: AddItem['kind'],
	name: string,
	details: Partial<ShelfDetails> = {},
	method: Method | null = null
): DemoThing {
	return {
		key: name,
		method,
		row: {
			kind,
			name,
			lotCode: '',
			price: null,
			boughtAt: addDays(now, -500),
			expiresAt: null,
			details: { ...NO_DETAILS, ...details }
		},
		notes: []
	};
}

const percentOf = (value: number, percent: number) => (value * percent) / 100 / 2;

function standards(now: Instant): DemoThing[] {
	const content = (parameter: ParameterId, value: number, percent: number) => ({
		parameter,
		value,
		u: percentOf(value, percent)
	});
	const solution = (
		name: string,
		lotCode: string,
		price: number,
		contents: ShelfDetails['contents']
	): DemoThing => ({
		key: name,
		method: null,
		row: {
			kind: 'standard',
			name,
			lotCode,
			price,
			boughtAt: addDays(now, -70),
			expiresAt: addDays(now, 300),
			details: { ...NO_DETAILS, contents }
		},
		notes: []
	});
	return [
		solution('Check solution, major ions', 'S-31', 16, [
			content('alkalinity', 8.1, 1),
			content('calcium', 425, 1),
			content('magnesium', 1310, 1),
			content('potassium', 395, 1)
		]),
		solution('Check solution, nutrients', 'S-07', 14, [
			content('nitrate', 10, 2),
			content('phosphate', 0.2, 2)
		])
	];
}

/** The shelf of the library: what is in use, what ends, what leaks, and what was off. */
export function libraryShelf(now: Instant): DemoShelf {
	const ago = (days: number) => addDays(now, -days);
	const things: DemoThing[] = [
		kit(now, {
			key: 'alk-syringe',
			method: ALK_SYRINGE,
			lot: 'A-118',
			boughtDaysAgo: 150,
			openedDaysAgo: 128,
			goodForDays: 420
		}),
		kit(now, {
			key: 'alk-syringe spare',
			method: ALK_SYRINGE,
			lot: 'A-140',
			boughtDaysAgo: 30,
			openedDaysAgo: null,
			goodForDays: 800
		}),
		kit(now, {
			key: 'alk-drops',
			method: ALK_DROPS,
			lot: 'D-12',
			boughtDaysAgo: 300,
			openedDaysAgo: 280,
			goodForDays: 500,
			notes: [
				{
					at: ago(90),
					kind: 'dropper',
					details: { reagent: 'B', state: 'leaky' },
					note: 'Runs down the neck; three drops came as one.'
				}
			]
		}),
		kit(now, {
			key: 'alk-meter',
			method: ALK_METER,
			lot: 'P-77',
			boughtDaysAgo: 170,
			openedDaysAgo: 160,
			goodForDays: 300
		}),
		kit(now, {
			key: 'ca-syringe',
			method: CA_SYRINGE,
			lot: 'C-45',
			boughtDaysAgo: 330,
			openedDaysAgo: 250,
			goodForDays: 9
		}),
		kit(now, {
			key: 'mg-syringe',
			method: MG_SYRINGE,
			lot: 'M-20',
			boughtDaysAgo: 300,
			openedDaysAgo: 280,
			goodForDays: 200
		}),
		kit(now, {
			key: 'k-filter',
			method: K_FILTER,
			lot: 'K-09',
			boughtDaysAgo: 220,
			openedDaysAgo: 200,
			goodForDays: 350,
			notes: [{ at: ago(45), kind: 'counted', details: { reagent: 'B', amount: 14 } }]
		}),
		kit(now, {
			key: 'no3-card',
			method: NO3_CARD,
			lot: 'N-61',
			boughtDaysAgo: 290,
			openedDaysAgo: 270,
			goodForDays: 380
		}),
		kit(now, {
			key: 'po4-card',
			method: PO4_CARD,
			lot: 'F-33',
			boughtDaysAgo: 520,
			openedDaysAgo: 300,
			goodForDays: -12
		}),
		kit(now, {
			key: 'nh3-card',
			method: NH3_CARD,
			lot: 'H-14',
			boughtDaysAgo: 240,
			openedDaysAgo: 230,
			goodForDays: 410
		}),
		kit(now, {
			key: 'no2-card',
			method: NO2_CARD,
			lot: 'H-22',
			boughtDaysAgo: 240,
			openedDaysAgo: 230,
			goodForDays: 600
		}),
		kit(now, {
			key: 'ph-card',
			method: PH_CARD,
			lot: 'W-05',
			boughtDaysAgo: 400,
			openedDaysAgo: 232,
			goodForDays: 330
		}),
		...standards(now),
		other(now, 'instrument', 'Refractometer', {}, SALINITY_GLASS),
		other(now, 'instrument', 'Pocket thermometer', {}, THERMOMETER),
		other(now, 'syringe', '1 mL syringe, green dot', {
			belongsTo: { methodCode: 'alk-syringe', reagent: 'B' }
		}),
		other(now, 'syringe', '1 mL syringe, no mark', { belongsTo: { methodCode: 'ca-syringe', reagent: 'C' } }),
		other(now, 'scoop', 'Grey scoop', { belongsTo: { methodCode: 'mg-syringe', reagent: 'B' } }),
		other(now, 'vial', 'Four 10 mL vials'),
		other(now, 'stirrer', 'Magnetic stirrer')
	];
	const random = seededRandom(SEED);
	const read = (method: Method, kitBias: number) =>
		readBy(random, method, MAJOR, { ...CALM_READER, kitBias });
	const check = (
		key: string,
		method: Method,
		parameter: ParameterId,
		daysAgo: number,
		bias: number,
		accepted: boolean
	): DemoCheck => ({
		kit: key,
		standard: 'Check solution, major ions',
		parameter,
		at: ago(daysAgo),
		method,
		readings: [read(method, bias), read(method, bias)],
		accepted
	});
	return {
		things: things.map((thing) =>
			thing.key === 'alk-meter'
				? {
						...thing,
						notes: [
							...thing.notes,
							{
								at: ago(CHECKED_DAYS_AGO - 0.2),
								kind: 'retired',
								details: {},
								note: 'Far off on the standard; the powder had caked.'
							}
						]
					}
				: thing
		),
		checks: [
			check('mg-syringe', MG_SYRINGE, 'magnesium', 60, 0.004, false),
			check('alk-syringe', ALK_SYRINGE, 'alkalinity', CHECKED_DAYS_AGO, 0.004, false),
			check('alk-meter', ALK_METER, 'alkalinity', CHECKED_DAYS_AGO, DISPLAY_OFF, true)
		]
	};
}

/** The school keeps what a tank that is starting needs. */
export function schoolShelf(now: Instant): DemoShelf {
	return {
		things: [
			kit(now, {
				key: 'nh3-card',
				method: NH3_CARD,
				lot: 'H-15',
				boughtDaysAgo: 40,
				openedDaysAgo: 24,
				goodForDays: 500
			}),
			kit(now, {
				key: 'no2-card',
				method: NO2_CARD,
				lot: 'H-23',
				boughtDaysAgo: 40,
				openedDaysAgo: 24,
				goodForDays: 700
			})
		],
		checks: []
	};
}

/** The kit that a reading was made with: the one of its method that was opened then. */
export function kitOf({ things }: DemoShelf, { method, at, earlierPack }: DemoReading): string | null {
	if (earlierPack) return null;
	const open = things.filter(
		(t) =>
			t.method?.code === method.code &&
			t.row.kind === 'kit' &&
			t.notes.some((n) => n.kind === 'opened' && n.at <= at)
	);
	return open.at(-1)?.key ?? null;
}
