import type { Dropper, DropperState } from '../method/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';

/** What was noted of a kit, a standard, a syringe or an instrument, after it came on the shelf. */
export type ItemNote =
	| { readonly kind: 'opened'; readonly sameLeaflet: boolean }
	/** Looked at: what is left in one bottle, in its own unit. */
	| { readonly kind: 'counted'; readonly reagent: string; readonly amount: number }
	| { readonly kind: 'dropper'; readonly reagent: string; readonly state: DropperState }
	/** Calibrated by weighing or by counting drops to a mark, mL with its standard uncertainty. */
	| { readonly kind: 'drop-size'; readonly reagent: string; readonly dropMl: number; readonly u: number }
	| { readonly kind: 'doubted' }
	/** A check's finding holds for readings taken from then on; null for all that were ever made with it. */
	| {
			readonly kind: 'check-accepted';
			readonly checkId: string;
			readonly parameter: ParameterId;
			readonly from: Instant | null;
	  }
	| { readonly kind: 'check-withdrawn'; readonly checkId: string; readonly parameter: ParameterId }
	/** Unused reagent went back into its bottle: a risk that was taken knowingly. */
	| { readonly kind: 'put-back'; readonly reagent: string }
	/** Everything that belongs into its box was looked for: it was all there, or its note says what is missing. */
	| { readonly kind: 'box-checked'; readonly complete: boolean }
	| { readonly kind: 'retired' }
	| { readonly kind: 'back-in-use' };

export type DatedNote = ItemNote & { readonly at: Instant };

export interface AcceptedCheck {
	readonly checkId: string;
	readonly from: Instant | null;
}

export interface ItemState {
	readonly openedAt: Instant | null;
	readonly retiredAt: Instant | null;
	readonly doubtedAt: Instant | null;
	/** When its box was last looked through, and whether all of it was there; null before. */
	readonly box: { readonly at: Instant; readonly complete: boolean } | null;
	/** By the reagent's label. */
	readonly droppers: Readonly<Record<string, Dropper>>;
	readonly counts: readonly { readonly reagent: string; readonly amount: number; readonly at: Instant }[];
	/** The check whose finding corrects what is read with it, by parameter. */
	readonly accepted: Readonly<Partial<Record<ParameterId, AcceptedCheck>>>;
}

/** An even dropper of the leaflet's size, until something else is noted. */
const UNKNOWN: Dropper = { state: 'even', calibrated: null };

/**
 * How a thing on the shelf stands after everything that was noted of it, in the order in which it happened. Nothing
 * noted is ever lost: what is taken back is taken back by another note.
 */
export function itemStateOf(notes: readonly DatedNote[]): ItemState {
	let openedAt: Instant | null = null;
	let retiredAt: Instant | null = null;
	let doubtedAt: Instant | null = null;
	let box: ItemState['box'] = null;
	const droppers: Record<string, Dropper> = {};
	const counts: ItemState['counts'][number][] = [];
	const accepted: Partial<Record<ParameterId, AcceptedCheck>> = {};
	for (const note of [...notes].sort((a, b) => a.at - b.at)) {
		switch (note.kind) {
			case 'opened':
				openedAt ??= note.at;
				break;
			case 'counted':
				counts.push({ reagent: note.reagent, amount: note.amount, at: note.at });
				break;
			case 'dropper':
				droppers[note.reagent] = { ...(droppers[note.reagent] ?? UNKNOWN), state: note.state };
				break;
			case 'drop-size':
				droppers[note.reagent] = {
					...(droppers[note.reagent] ?? UNKNOWN),
					calibrated: { dropMl: note.dropMl, u: note.u }
				};
				break;
			case 'doubted':
				doubtedAt = note.at;
				break;
			case 'check-accepted':
				accepted[note.parameter] = { checkId: note.checkId, from: note.from };
				break;
			case 'check-withdrawn':
				if (accepted[note.parameter]?.checkId === note.checkId) delete accepted[note.parameter];
				break;
			case 'put-back':
				break;
			case 'box-checked':
				box = { at: note.at, complete: note.complete };
				break;
			case 'retired':
				retiredAt = note.at;
				break;
			case 'back-in-use':
				retiredAt = null;
		}
	}
	return { openedAt, retiredAt, doubtedAt, box, droppers, counts, accepted };
}

/** The accepted check of a parameter that holds for a reading taken then; null where none does. */
export function checkFor(state: ItemState, parameter: ParameterId, drawnAt: Instant): string | null {
	const check = state.accepted[parameter];
	return check && (check.from === null || check.from <= drawnAt) ? check.checkId : null;
}
