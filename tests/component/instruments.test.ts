import { fireEvent, render } from '@testing-library/svelte';
import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import type { StepStatement } from '$lib/core/method';
import DropCounter from '$lib/ui/instrument/DropCounter.svelte';
import { placeOf } from '$lib/ui/instrument/ladder';
import Ladder from '$lib/ui/instrument/Ladder.svelte';
import ScaleLine from '$lib/ui/instrument/ScaleLine.svelte';
import Strip from '$lib/ui/instrument/Strip.svelte';
import Syringe from '$lib/ui/instrument/Syringe.svelte';
import { press } from './hand';

describe('the drop counter', () => {
	const handlers = () => ({ onadd: vi.fn(), onundo: vi.fn(), onbad: vi.fn(), ontotal: vi.fn() });
	it('counts presses anywhere on its surface, and fives', async () => {
		const all = handlers();
		const { getByRole } = render(DropCounter, { count: 7, bad: 0, ...all });
		await fireEvent.click(getByRole('button', { name: /^7/ }));
		await fireEvent.click(getByRole('button', { name: '+5' }));
		expect(all.onadd.mock.calls).toEqual([[1], [5]]);
		await fireEvent.click(getByRole('button', { name: 'Undo' }));
		expect(all.onundo).toHaveBeenCalledOnce();
	});
	it('has nothing to take back, and no bad drop, before one fell', () => {
		const { getByRole } = render(DropCounter, { count: null, bad: 0, ...handlers() });
		for (const name of ['Undo', 'Bad drop']) {
			expect((getByRole('button', { name }) as HTMLButtonElement).disabled).toBe(true);
		}
	});
	it('has no more bad drops than drops', () => {
		const { getByRole } = render(DropCounter, { count: 2, bad: 2, ...handlers() });
		expect((getByRole('button', { name: 'Bad drop: 2' }) as HTMLButtonElement).disabled).toBe(true);
	});
	it('gives a typed total away, and shows what was taken', async () => {
		const all = handlers();
		const { getByLabelText } = render(DropCounter, { count: 7, bad: 0, ...all });
		const field = getByLabelText('or type the total') as HTMLInputElement;
		await fireEvent.change(field, { target: { value: 'many' } });
		expect(all.ontotal).toHaveBeenCalledWith('many');
		expect(field.value).toBe('7');
	});
});

describe('the syringe', () => {
	const base = { capacityMl: 1, graduationMl: 0.01, startMl: 1, between: false, tipUp: false };
	// Up on the screen is up for the plunger: tip down it draws in, tip up it presses out.
	it.each([
		['ArrowUp', 0.63, 0.61],
		['ArrowDown', 0.61, 0.63],
		['ArrowRight', 0.63, 0.63],
		['ArrowLeft', 0.61, 0.61],
		['PageUp', 0.72, 0.52],
		['PageDown', 0.52, 0.72],
		['Home', 0, 0],
		['End', 1, 1]
	])('%s sets the plunger to %d with its tip down, to %d with its tip up', async (key, down, up) => {
		for (const tipUp of [false, true]) {
			const onset = vi.fn();
			const { unmount } = render(Syringe, { ...base, tipUp, leftMl: 0.62, onset });
			await press(key);
			expect(onset).toHaveBeenCalledOnce();
			expect(onset.mock.lastCall?.[0]).toBeCloseTo(tipUp ? up : down, 9);
			unmount();
		}
	});
	it('never leaves its barrel, and stands on a mark or between two', async () => {
		await fc.assert(
			fc.asyncProperty(
				fc.integer({ min: 0, max: 100 }),
				fc.boolean(),
				fc.constantFrom('ArrowUp', 'ArrowDown', 'PageUp', 'PageDown', 'Home', 'End'),
				async (division, between, key) => {
					const onset = vi.fn();
					const { unmount } = render(Syringe, { ...base, between, leftMl: division / 100, onset });
					await press(key);
					const [ml] = onset.mock.calls[0] as [number];
					unmount();
					expect(ml).toBeGreaterThanOrEqual(0);
					expect(ml).toBeLessThanOrEqual(1);
					const halves = ml / 0.005;
					expect(Math.abs(halves - Math.round(halves))).toBeLessThan(1e-6);
					expect(Math.round(halves) % 2 === 1).toBe(between);
				}
			),
			{ numRuns: 60 }
		);
	});
	it('leaves the keys to a field in which one types', async () => {
		const onset = vi.fn();
		render(Syringe, { ...base, leftMl: 0.5, onset });
		const field = document.body.appendChild(document.createElement('input'));
		await press('ArrowUp', field);
		field.remove();
		expect(onset).not.toHaveBeenCalled();
	});
});

describe('the ladder', () => {
	const steps = [0, 0.25, 0.5, 1].map((value, i) => ({
		value,
		colour: { name: `shade ${i}`, css: '#ccd' }
	})) as never;
	it('is climbed by quarters with keys and with buttons, and says where it stands', async () => {
		const onset = vi.fn();
		const at: StepStatement = { kind: 'on', index: 1 } as never;
		const { getByRole } = render(Ladder, { steps, unit: 'mg/L', at, asked: null, words: 'on 0.25', onset });
		expect(getByRole('slider').getAttribute('aria-valuetext')).toBe('on 0.25');
		await press('ArrowUp', getByRole('slider'));
		await fireEvent.click(getByRole('button', { name: 'Paler by a quarter step' }));
		// Once each, though the page listens for the same keys.
		expect(onset.mock.calls.map(([to]: StepStatement[]) => placeOf(to!, 4) - placeOf(at, 4))).toEqual([
			expect.closeTo(0.25, 9),
			expect.closeTo(-0.25, 9)
		]);
	});
});

describe('a line on a scale', () => {
	it('moves by divisions, by ten with Shift, and stays on its scale', async () => {
		const onset = vi.fn();
		const { getByRole } = render(ScaleLine, {
			from: 15,
			to: 35,
			graduation: 0.5,
			decimals: 0,
			value: 25,
			between: false,
			look: 'thermometer',
			label: 'Thermometer',
			words: '25',
			onset
		});
		const line = getByRole('slider', { name: 'Thermometer' });
		await fireEvent.keyDown(line, { key: 'ArrowUp' });
		await fireEvent.keyDown(line, { key: 'ArrowDown', shiftKey: true });
		await fireEvent.click(getByRole('button', { name: 'One division up the scale' }));
		expect(onset.mock.calls.map(([v]: number[]) => v)).toEqual([25.5, 20, 25.5]);
	});
});

describe('the strip', () => {
	it('says in words what it draws, and draws its slot only where there is a band', async () => {
		const base = {
			value: 415,
			lower: 403,
			upper: 427,
			reading: 407,
			tail: 410,
			warn: false,
			lowText: '410',
			highText: '450',
			words: 'Calcium 415 ± 12 mg/L, probably inside'
		};
		const { getByRole, rerender, container } = render(Strip, { ...base, band: { low: 410, high: 450 } });
		expect(getByRole('img', { name: base.words })).toBeTruthy();
		expect(container.querySelectorAll('.slot, .edge')).toHaveLength(3);
		await rerender({ band: null });
		expect(container.querySelectorAll('.slot, .edge')).toHaveLength(0);
	});
});
