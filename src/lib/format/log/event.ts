import { PARAMETERS, UNITS, type ParameterId } from '$lib/core/quantity';
import type { EventDetails, EventKind } from '$lib/core/record';
import { plain } from '../number.ts';
import { litresWords } from '../volume.ts';

export const EVENT_NAMES: Readonly<Record<EventKind, string>> = {
	dose: 'Dose',
	'recurring-dose': 'Daily dose set',
	'recurring-dose-missed': 'Daily dose missed',
	'water-change': 'Water change',
	'new-mix': 'New batch mixed',
	'top-up': 'Top-up',
	'medium-in': 'Medium put in',
	'medium-out': 'Medium taken out',
	feeding: 'Feeding',
	'animals-in': 'Animals in',
	'animals-out': 'Animals out',
	'animal-moved': 'An animal moved in or over',
	'bottle-kept': 'Bottle kept for the laboratory',
	death: 'Death',
	algae: 'Algae spread',
	browning: 'Corals brown or lose tissue',
	failure: 'Failure',
	note: 'Note'
};

interface AnyDetails {
	readonly suspected?: ParameterId;
	readonly supplement?: string;
	readonly amountMl?: number;
	/** mL unless it was weighed. */
	readonly unit?: 'ml' | 'g';
	readonly amountMlPerDay?: number;
	readonly days?: number;
	readonly volumeL?: number;
	readonly batch?: string;
	readonly saltLot?: string;
	readonly newWater?: readonly { readonly parameter: ParameterId; readonly value: number }[];
}

/** What an event was, in one line. */
export function eventWords(kind: EventKind, details: EventDetails): string {
	const d = details as AnyDetails;
	const unit = d.unit === 'g' ? 'g' : 'mL';
	switch (kind) {
		case 'dose':
			return `${plain(d.amountMl ?? 0)} ${unit} of ${d.supplement}`;
		case 'recurring-dose':
			return d.amountMlPerDay === 0
				? `${d.supplement} stopped`
				: `${d.supplement}, ${plain(d.amountMlPerDay ?? 0)} ${unit} a day from here on`;
		case 'recurring-dose-missed':
			return `${d.supplement}, for ${plain(d.days ?? 0)} days`;
		case 'water-change': {
			const values = (d.newWater ?? []).map(({ parameter, value }) => {
				const { symbol, canonicalUnit } = PARAMETERS[parameter];
				return `${symbol} ${plain(value)} ${UNITS[canonicalUnit].symbol}`;
			});
			return [litresWords(d.volumeL ?? 0), d.batch, values.join(', ') || 'new water not tested']
				.filter(Boolean)
				.join('; ');
		}
		case 'new-mix':
			return [`${d.batch}, ${litresWords(d.volumeL ?? 0)}`, d.saltLot ? `salt ${d.saltLot}` : '']
				.filter(Boolean)
				.join(', ');
		default:
			return '';
	}
}

/** "Calcium liquid 12 mL" */
export function dailyDoseWords({
	supplement,
	amountMlPerDay,
	unit = 'ml'
}: {
	readonly supplement: string;
	readonly amountMlPerDay: number;
	readonly unit?: 'ml' | 'g';
}): string {
	return `${supplement} ${plain(Number(amountMlPerDay.toPrecision(4)))} ${unit === 'g' ? 'g' : 'mL'}`;
}
