import { describe, expect, it } from 'vitest';
import type { EventKind } from '$lib/core/record';
import { addDays, instant } from '$lib/core/time';
import { shownEvents } from './shown-events';

const start = instant(1_700_000_000_000);
const events = (['water-change', 'dose', 'failure', 'note', 'death'] as EventKind[]).map((kind) => ({
	kind
}));

describe('the lines in a chart', () => {
	it('are all there in a quarter', () => {
		expect(shownEvents(events, start, addDays(start, 92))).toEqual(events);
	});
	it('are only what is out of the ordinary in a year', () => {
		expect(shownEvents(events, start, addDays(start, 366)).map((e) => e.kind)).toEqual(['failure', 'death']);
	});
});
