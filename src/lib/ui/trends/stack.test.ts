import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { TrendRow } from '$lib/contract/trends';
import { addDays, daysBetween, instant } from '$lib/core/time';
import { readTrendAddress } from '$lib/contract/trend-address';
import { valueTicks, verticalSpan } from './chart/scale';
import { lineAt, seriesOf } from './chart/series';
import { asksForMore, daysSeen } from './fetch-seen';
import { seenCsv } from './seen-csv';
import { StackState } from './StackState.svelte';
import { neighbour, underCursor } from './under-cursor';

const now = instant(1_789_999_980_000);
const limits = { from: addDays(now, -400), to: addDays(now, 14), now };
const minutes = (days: number) => Math.round(addDays(now, days) / 60_000);
const row: TrendRow = {
	parameter: 'alkalinity',
	band: null,
	bands: [],
	kits: [
		{ code: 'a', name: 'A kit', laboratory: false },
		{ code: 'b', name: '=A lab', laboratory: true }
	],
	count: 4,
	thinned: false,
	readings: {
		at: [-30, -20, -10, -9].map(minutes),
		value: [8, 8.2, 3, 8.1],
		lower: [7.6, 7.8, 2.6, 8],
		upper: [8.4, 8.6, 3.4, null],
		kind: [0, 0, 0, 2],
		kit: [0, 0, 1, 0],
		superseded: [0, 0, 1, 0]
	},
	line: { at: [-30, 0, 14].map(minutes), value: [8, 8.3, 8.4], u: [0.1, 0.1, 0.4] },
	estimate: null
};
const series = seriesOf(row, 'dkh');
const at = (query: string) => readTrendAddress(new URLSearchParams(query));

describe('what is sent of a water’s time', () => {
	const window = { from: addDays(now, -140), to: limits.to };
	const asks = (from: number, to: number) =>
		asksForMore({ ...limits, window }, { from: addDays(now, from), to: addDays(now, to) });
	it('is enough until one moves beyond it, or looks so closely that it is too coarse', () => {
		expect(asks(-92, 5)).toBe(false);
		expect(asks(-160, -60)).toBe(true);
		expect(asks(-20, 0)).toBe(true);
		expect(asks(-500, -450)).toBe(false);
		// Beyond the last forecast there is nothing to fetch.
		expect(asks(-92, 60)).toBe(false);
	});
	it('is asked for again no more once it came', () => {
		for (const [from, to] of [
			[-399, 14],
			[-20, 0],
			[-0.4, 0.1],
			[-300, -260]
		] as const) {
			const seen = { from: addDays(now, from), to: addDays(now, to) };
			const { fromDay, toDay } = daysSeen(limits, seen);
			const beside = (toDay - fromDay + 1) / 2;
			const sent = {
				from: instant(Math.max(limits.from, (fromDay - beside) * 86_400_000)),
				to: instant(Math.min(limits.to, (toDay + 1 + beside) * 86_400_000))
			};
			expect(asksForMore({ ...limits, window: sent }, seen)).toBe(false);
		}
	});
});

describe('what of the stack is looked at', () => {
	it('is one press away, ends a little ahead of now, and never leaves what there is', () => {
		const stack = new StackState(() => limits, at('span=month'));
		expect(daysBetween(stack.from, now)).toBe(31);
		expect(stack.to).toBeGreaterThan(now);
		stack.show('all');
		expect(stack.from).toBe(limits.from);
		stack.pan(-5000);
		expect(daysBetween(stack.from, limits.from)).toBeLessThan(daysBetween(stack.from, stack.to));
		expect(stack.span).toBeNull();
		stack.zoom(1e-9);
		expect(daysBetween(stack.from, stack.to)).toBeCloseTo(0.5, 6);
		stack.zoom(1e9);
		expect(daysBetween(stack.from, stack.to)).toBeCloseTo(414, 6);
	});
	it('begins as its address says, within what there is', () => {
		const begun = new StackState(
			() => limits,
			at('from=2000-01-01T00:00&to=2200-01-01T00:00&rows=calcium&at=2026-09-01T00:00')
		);
		expect([begun.from, begun.to, begun.span]).toEqual([limits.from, limits.to, null]);
		expect(begun.address).toMatchObject({ rows: ['calcium'], at: Date.parse('2026-09-01T00:00Z') });
		begun.set(addDays(now, -3), addDays(now, -3));
		expect(daysBetween(begun.from, begun.to)).toBeCloseTo(0.5, 6);
	});
	it('never runs away: whatever is turned, dragged or zoomed, half of it shows what there is', () => {
		const act = fc.record({
			how: fc.constantFrom('zoom', 'pan', 'set', 'point', 'show'),
			at: fc.double({ min: -900, max: 900, noNaN: true }),
			by: fc.double({ min: 0.01, max: 20, noNaN: true })
		});
		fc.assert(
			fc.property(fc.array(act, { maxLength: 30 }), (acts) => {
				const stack = new StackState(() => limits, at(''));
				for (const { how, at: days, by } of acts) {
					if (how === 'zoom') stack.zoom(by, addDays(now, days));
					if (how === 'pan') stack.pan(days);
					if (how === 'set') stack.set(addDays(now, days), addDays(now, days + by));
					if (how === 'point') stack.point(addDays(now, days));
					if (how === 'show') stack.show('month');
					const length = daysBetween(stack.from, stack.to);
					expect(length).toBeGreaterThan(0.49);
					expect(daysBetween(limits.from, stack.to)).toBeGreaterThanOrEqual(length / 2 - 1e-6);
					expect(daysBetween(stack.from, limits.to)).toBeGreaterThanOrEqual(length / 2 - 1e-6);
				}
			}),
			{ seed: 23 }
		);
	});
	it('zooms about a time that stays where it is, and brings the cursor into view', () => {
		const stack = new StackState(() => limits, at(''));
		const about = addDays(now, -20);
		const share = () => daysBetween(stack.from, about) / daysBetween(stack.from, stack.to);
		const before = share();
		stack.zoom(0.4, about);
		expect(share()).toBeCloseTo(before, 9);
		stack.point(addDays(now, -300));
		expect(stack.from).toBeLessThan(addDays(now, -300));
		expect(stack.to).toBeGreaterThan(addDays(now, -300));
	});
});

describe('what stands under the cursor', () => {
	it('is the estimate between two points and the reading that is near', () => {
		const under = underCursor(series, addDays(now, -20), 31 * 86_400_000);
		expect(under.estimate!.value).toBeCloseTo(8.1, 6);
		expect(under.reading).toMatchObject({ value: 8.2, kind: 'value', kit: 'A kit' });
		expect(underCursor(series, addDays(now, -15), 31 * 86_400_000).reading).toBeNull();
		expect(lineAt(series, addDays(now, -31))).toBeNull();
		expect(lineAt(series, addDays(now, 15))).toBeNull();
	});
	it('goes from reading to reading of any row', () => {
		const at = addDays(now, -20);
		expect(daysBetween(at, neighbour([series], at, 1)!)).toBeCloseTo(10, 3);
		expect(daysBetween(at, neighbour([series], at, -1)!)).toBeCloseTo(-10, 3);
		expect(neighbour([series], addDays(now, -9), 1)).toBeNull();
	});
});

describe('what is seen', () => {
	const many = (values: readonly number[]) => ({
		...series,
		band: { low: 7.5, high: 9 },
		at: values.map((_, i) => addDays(now, -30 + i)),
		value: values,
		lower: values.map((v) => v - 0.2),
		upper: values.map((v) => v + 0.2),
		superseded: values.map(() => 0)
	});
	it('is scaled to what most readings say: one however far off never squashes the rest', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 7, max: 9.5, noNaN: true }), { minLength: 8, maxLength: 25 }),
				fc.double({ min: 1e-3, max: 1e4, noNaN: true }),
				(values, off) => {
					const extent = ([low, high]: readonly [number, number]) => high - low;
					const without = verticalSpan(many(values), addDays(now, -40), now);
					const beside = verticalSpan(many([...values, off]), addDays(now, -40), now);
					expect(extent(beside)).toBeLessThan(2.2 * extent(without));
					// The band stays whole.
					expect(beside[0]).toBeLessThan(7.5);
					expect(beside[1]).toBeGreaterThan(9);
				}
			),
			{ seed: 23 }
		);
	});
	it('has the ends of its band and round numbers beside it, none upon another', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 1e-3, max: 2000, noNaN: true }),
				fc.double({ min: 0.01, max: 3, noNaN: true }),
				fc.integer({ min: 60, max: 300 }),
				(low, share, heightPx) => {
					const high = low * (1 + share);
					const band = { low: low + 0.3 * (high - low), high: low + 0.7 * (high - low) };
					const ticks = valueTicks({ band }, [low, high], heightPx, String);
					expect(ticks.filter((t) => t.isEdge)).toHaveLength(2);
					for (const [i, tick] of ticks.entries()) {
						expect(tick.value).toBeGreaterThanOrEqual(low);
						expect(tick.value).toBeLessThanOrEqual(high);
						const before = ticks[i - 1];
						if (before) expect(((tick.value - before.value) / (high - low)) * heightPx).toBeGreaterThan(16.9);
						if (!tick.isEdge) expect(Number(tick.text)).toBeCloseTo(tick.value, 9);
					}
				}
			),
			{ seed: 23 }
		);
		expect(valueTicks({ band: null }, [3, 3], 100, String)).toEqual([]);
	});
	it('is kept as a file: readings with kit and state, the estimate, nothing that a sheet would run', () => {
		const seen = (superseded: boolean) =>
			seenCsv([{ name: 'Reef', all: [series] }], addDays(now, -25), addDays(now, 20), superseded).split(
				'\r\n'
			);
		const lines = seen(true);
		expect(lines).toHaveLength(1 + 3 + 2);
		expect(lines.filter((l) => l.includes(',corrected'))).toHaveLength(1);
		expect(lines.some((l) => l.includes(',=A lab'))).toBe(false);
		expect(seen(false)).toHaveLength(1 + 2 + 2);
		expect(lines.find((l) => l.includes('bound'))!.split(',')[7]).toBe('');
	});
});
