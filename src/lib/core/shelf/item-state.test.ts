import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, instant } from '../time/index.ts';
import { checkFor, itemStateOf, type DatedNote, type ItemNote } from './index.ts';

const day = (n: number) => addDays(instant(Date.UTC(2026, 0, 1)), n);
const at = (n: number, note: ItemNote): DatedNote => ({ ...note, at: day(n) });
const accepted = (n: number, checkId: string, from: number | null = null) =>
	at(n, { kind: 'check-accepted', checkId, parameter: 'alkalinity', from: from === null ? null : day(from) });

describe('the state of a thing', () => {
	it('is nothing before anything is noted', () => {
		expect(itemStateOf([])).toEqual({
			openedAt: null,
			retiredAt: null,
			box: null,
			doubtedAt: null,
			droppers: {},
			counts: [],
			accepted: {}
		});
	});
	it('is opened once, retired and taken back as often as somebody likes', () => {
		const opened = [
			at(1, { kind: 'opened', sameLeaflet: true }),
			at(9, { kind: 'opened', sameLeaflet: true })
		];
		expect(itemStateOf(opened).openedAt).toBe(day(1));
		const retired = [...opened, at(10, { kind: 'retired' })];
		expect(itemStateOf(retired).retiredAt).toBe(day(10));
		expect(itemStateOf([...retired, at(11, { kind: 'back-in-use' })]).retiredAt).toBeNull();
	});
	it('knows each dropper by its last word on behaviour and on size, whichever came first', () => {
		const size = at(3, { kind: 'drop-size', reagent: 'B', dropMl: 0.044, u: 0.0004 });
		const leaky = at(4, { kind: 'dropper', reagent: 'B', state: 'leaky' });
		const both = { state: 'leaky', calibrated: { dropMl: 0.044, u: 0.0004 } };
		expect(itemStateOf([size, leaky]).droppers).toEqual({ B: both });
		expect(itemStateOf([leaky, size]).droppers).toEqual({ B: both });
		const mended = at(5, { kind: 'dropper', reagent: 'B', state: 'even' });
		expect(itemStateOf([leaky, size, mended]).droppers.B?.state).toBe('even');
		expect(itemStateOf([at(1, { kind: 'put-back', reagent: 'B' })]).droppers).toEqual({});
	});
	it('is corrected by the check accepted last, from its day on, until it is taken back', () => {
		const first = accepted(5, 'a');
		expect(checkFor(itemStateOf([first]), 'alkalinity', day(0))).toBe('a');
		expect(checkFor(itemStateOf([first]), 'calcium', day(9))).toBeNull();
		const second = accepted(8, 'b', 7);
		expect(checkFor(itemStateOf([first, second]), 'alkalinity', day(6))).toBeNull();
		expect(checkFor(itemStateOf([first, second]), 'alkalinity', day(7))).toBe('b');
		const back = at(9, { kind: 'check-withdrawn', checkId: 'b', parameter: 'alkalinity' });
		expect(itemStateOf([first, second, back]).accepted).toEqual({});
		// Taking back what is no longer in force changes nothing.
		const stale = at(9, { kind: 'check-withdrawn', checkId: 'a', parameter: 'alkalinity' });
		expect(checkFor(itemStateOf([first, second, stale]), 'alkalinity', day(8))).toBe('b');
	});
	it('does not depend on the order in which notes arrive, only on when they happened', () => {
		const note = fc.oneof(
			fc.constant<ItemNote>({ kind: 'opened', sameLeaflet: true }),
			fc.constant<ItemNote>({ kind: 'retired' }),
			fc.constant<ItemNote>({ kind: 'back-in-use' }),
			fc.constant<ItemNote>({ kind: 'doubted' }),
			fc.record({
				kind: fc.constant('dropper' as const),
				reagent: fc.constantFrom('A', 'B'),
				state: fc.constantFrom('even' as const, 'uneven' as const, 'leaky' as const)
			}),
			fc.record({
				kind: fc.constant('counted' as const),
				reagent: fc.constantFrom('A', 'B'),
				amount: fc.nat(20)
			})
		);
		fc.assert(
			fc.property(fc.array(note, { maxLength: 12 }), fc.infiniteStream(fc.nat()), (notes, stream) => {
				const dated = notes.map((n, i) => at(i, n));
				const shuffled = dated
					.map((n) => ({ n, key: stream.next().value as number }))
					.sort((a, b) => a.key - b.key)
					.map(({ n }) => n);
				expect(itemStateOf(shuffled)).toEqual(itemStateOf(dated));
			})
		);
	});
});
