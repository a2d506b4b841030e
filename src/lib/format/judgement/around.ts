import type { AroundRow, Came } from '$lib/core/record';
import type { EventKind } from '$lib/core/record';

const CAME: Readonly<Record<Came, string>> = {
	came: 'It came as expected.',
	less: 'Less came than expected: look at the amounts, at the new water, or read again.',
	more: 'More came than expected: something else moved it as well, or one of the two readings is off.',
	'too-small': 'Too small a step for these two readings to tell.'
};

/** What two readings around an event say. */
export function cameWords({ came, before, after, expected }: AroundRow): string {
	if (came) return CAME[came];
	if (!before || !after) return `Not read ${before ? 'after' : 'before'} it.`;
	return expected ? '' : 'Nothing is known of what it should have moved.';
}

/** What the two columns are. */
export function aroundColumns(kind: EventKind): readonly [first: string, second: string] {
	return kind === 'death' ? ['On the day', 'A day later'] : ['Before', 'After'];
}

/** What is tested next, and asked for by which happening; null where nothing is. */
export function aroundAsks(
	kind: EventKind,
	rows: readonly AroundRow[]
): { readonly what: string; readonly text: string } | null {
	const isOpen = (side: 'before' | 'after') => rows.length === 0 || rows.some((r) => r[side] === null);
	if (kind === 'death') {
		return isOpen('after') ? { what: 'death', text: 'Test the whole panel again, a day later' } : null;
	}
	if (kind === 'water-change') {
		return isOpen('after') ? { what: 'after-change', text: 'Test the same after it' } : null;
	}
	return isOpen('after') && kind === 'medium-in'
		? { what: 'new-medium', text: 'Test what the medium moves' }
		: null;
}
