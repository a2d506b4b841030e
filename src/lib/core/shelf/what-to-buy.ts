import { portionsOf, titrationsOf, type Method } from '../method/index.ts';
import type { ParameterId } from '../quantity/index.ts';

/** How somebody likes to read. */
export const READING_WAYS = ['any', 'syringe', 'drops', 'colour', 'display'] as const;
export type ReadingWay = (typeof READING_WAYS)[number];

/** A parameter that is tested, how often, and whether there is something to test it with. */
export interface Wanted {
	readonly parameter: ParameterId;
	/** Tests a year at its pace. */
	readonly perYear: number;
	/** How pressing it is where there is not money for all. */
	readonly weight: number;
	readonly hasKit: boolean;
}

/** A kind of kit for it, with what it costs a year. */
export interface KindOfKit {
	readonly method: Method;
	/** In the money of the site, for all tests of a year; null where no price is known. */
	readonly full: number | null;
	/** With half the sample; null where it has none. */
	readonly half: number | null;
	/** Packs a year: what goes off once opened is bought again, however little of it was used. */
	readonly packs: number | null;
}

export interface ToGet extends Wanted {
	/** The cheapest first; those without a price last. */
	readonly kinds: readonly KindOfKit[];
}

const MONTHS = 12;

/** Which way a method is read. */
export function readingWayOf(method: Method): Exclude<ReadingWay, 'any'> {
	if (method.kind === 'colour-card' || method.kind === 'comparator') return 'colour';
	const [titration] = titrationsOf(method);
	if (titration) return titration.meter.kind === 'syringe' ? 'syringe' : 'drops';
	return 'display';
}

function packsFor(perYear: number, tests: number, openedMonths: number | null): number {
	return Math.max(perYear / tests, openedMonths === null || perYear === 0 ? 0 : MONTHS / openedMonths);
}

function kindOf(method: Method, perYear: number, price: number | null): KindOfKit {
	const { tests, openedMonths } = method.pack;
	if (tests === null || price === null) return { method, full: null, half: null, packs: null };
	const packs = packsFor(perYear, tests, openedMonths);
	return {
		method,
		full: packs * price,
		half: portionsOf(method).includes('half') ? packsFor(perYear, 2 * tests, openedMonths) * price : null,
		packs
	};
}

/**
 * Which kinds of kits to get first, and what each costs a year at its pace: what nothing is there for stands before what
 * can be tested already, the most pressing first in each.
 *
 * @param priceOf what a pack costs, by what was paid last or as its maker has it; null where nobody knows
 */
export function whatToGet(
	wanted: readonly Wanted[],
	methods: readonly Method[],
	way: ReadingWay,
	priceOf: (method: Method) => number | null
): readonly ToGet[] {
	return wanted
		.map((one): ToGet => {
			const kinds = methods
				.filter((m) => m.kind !== 'stated' && m.parameter === one.parameter)
				.filter((m) => way === 'any' || readingWayOf(m) === way)
				.map((m) => kindOf(m, one.perYear, priceOf(m)))
				.sort((a, b) => (a.full ?? Infinity) - (b.full ?? Infinity));
			return { ...one, kinds };
		})
		.sort((a, b) => Number(a.hasKit) - Number(b.hasKit) || b.weight - a.weight);
}
