import { sampleOf, titrationsOf, type Method, type Portion, type Titration } from '../../method/index.ts';
import { roundTo } from '../../numeric/index.ts';
import { pointOf } from '../outcome/test-result.ts';
import { deriveTitration, type TitrationMarks } from '../titration/derive-titration.ts';

/** Longest table of drops that a card has room for. */
const MOST_DROPS = 40;

export interface TableEntry {
	/** What is read: mL on the syringe as the leaflet has it, or drops. */
	readonly read: number;
	/** Canonical unit; null where the reading is only a bound. */
	readonly value: number | null;
}

export interface PrintedTable {
	readonly titration: Titration;
	readonly readAs: 'left' | 'used' | 'drops';
	readonly entries: readonly TableEntry[];
}

function marksAt({ meter }: Titration, read: number): TitrationMarks {
	if (meter.kind === 'drops') return { least: read, most: read, bad: 0 };
	return {
		readAs: meter.readAs,
		fills: [{ startMl: meter.capacityMl, end: { lowerMl: read, upperMl: read } }],
		sure: true
	};
}

/**
 * The table of a method for paper: every mark of its syringe, or every drop, and what it stands for. The same
 * arithmetic as everywhere, half the last drop taken off, so that the card and the screen never differ.
 *
 * @returns one for each titration; none where nothing is titrated
 */
export function printedTables(method: Method, portion: Portion): readonly PrintedTable[] {
	const ml = sampleOf(method, portion);
	if (ml === null || !method.sampleMl) return [];
	const sample = { ml, fullMl: method.sampleMl.full, relativeTolerance: method.sampleRelativeTolerance };
	return titrationsOf(method).map((titration) => {
		const { meter } = titration;
		const reads =
			meter.kind === 'drops'
				? Array.from({ length: MOST_DROPS }, (_, i) => i + 1)
				: Array.from({ length: Math.round(meter.capacityMl / meter.graduationMl) + 1 }, (_, i) =>
						roundTo(i * meter.graduationMl, meter.graduationMl)
					);
		return {
			titration,
			readAs: meter.kind === 'drops' ? ('drops' as const) : meter.readAs,
			entries: reads.map((read) => {
				const outcome = deriveTitration(titration, sample, marksAt(titration, read));
				return { read, value: outcome.ok ? (pointOf(outcome.value.result)?.value ?? null) : null };
			})
		};
	});
}
