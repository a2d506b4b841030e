import type { AroundRow, EventDetails, EventKind } from '$lib/core/record';
import type { Instant } from '$lib/core/time';

/** Readings before and after something that happened, with what it should have moved. */
export interface AroundAnswer {
	readonly event: {
		readonly id: string;
		readonly kind: EventKind;
		readonly at: Instant;
		readonly details: EventDetails;
		readonly note: string;
	};
	readonly rows: readonly AroundRow[];
	/** What the methods are called that it was read with. */
	readonly kits: Readonly<Record<string, string>>;
	/** Null where the volume of the water is not known. */
	readonly volumeL: number | null;
}
