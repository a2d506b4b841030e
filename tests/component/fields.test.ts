import { fireEvent, render } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { BRITISH, type Reader } from '$lib/contract/reader';
import type { CivilDate } from '$lib/core/time';
import { readBy } from '$lib/format/reader';
import TemperatureField from '$lib/ui/bench/read/TemperatureField.svelte';
import Checkbox from '$lib/ui/kit/Checkbox.svelte';
import Choice from '$lib/ui/kit/Choice.svelte';
import DateField from '$lib/ui/kit/DateField.svelte';
import Field from '$lib/ui/kit/Field.svelte';
import FileField from '$lib/ui/kit/FileField.svelte';
import LitresField from '$lib/ui/kit/LitresField.svelte';
import Radio from '$lib/ui/kit/Radio.svelte';
import Readout from '$lib/ui/kit/Readout.svelte';
import Switch from '$lib/ui/kit/Switch.svelte';
import TextArea from '$lib/ui/kit/TextArea.svelte';
import Tiles from '$lib/ui/kit/Tiles.svelte';
import { press, sent, type, words } from './hand';

const as = (reader: Partial<Reader>) => readBy(() => ({ ...BRITISH, ...reader }));
afterEach(() => readBy(() => BRITISH));

describe('a field', () => {
	it('is found by its label, and says its help, its unit and what is wrong with it', async () => {
		const { getByLabelText, rerender, container } = render(Field, {
			name: 'sample',
			label: 'Sample',
			unit: 'mL',
			help: 'As the leaflet has it.',
			value: '5'
		});
		const field = getByLabelText('Sample');
		const described = () =>
			(field.getAttribute('aria-describedby') ?? '')
				.split(' ')
				.map((id) => container.querySelector(`[id="${id}"]`)?.textContent);
		expect(described()).toEqual(['As the leaflet has it.']);
		expect([field.hasAttribute('aria-invalid'), container.textContent.includes('mL')]).toEqual([false, true]);
		await rerender({ fault: 'The sample must be a number, in mL.' });
		expect(field.getAttribute('aria-invalid')).toBe('true');
		expect(described()).toEqual(['As the leaflet has it.', 'The sample must be a number, in mL.']);
		expect(sent(container)).toEqual([['sample', '5']]);
	});
	it('says what a number means that could mean two things, while one types', async () => {
		const { getByLabelText, container } = render(Field, {
			label: 'Gravity',
			inputmode: 'decimal',
			value: ''
		});
		await type(getByLabelText('Gravity'), '1,025');
		expect(container.textContent).toContain('Understood as 1.025, not as 1025.');
		await type(getByLabelText('Gravity'), '1.025');
		expect(container.textContent).not.toContain('Understood');
	});
	it('without a visible label has its words for those who do not see', () => {
		const { getByLabelText, queryByText } = render(Field, { label: 'Search the help', bare: true });
		expect(getByLabelText('Search the help').tagName).toBe('INPUT');
		expect(queryByText('Search the help')).toBeNull();
	});
	it('of several lines is told of each letter', async () => {
		const oninput = vi.fn();
		const { getByLabelText } = render(TextArea, { label: 'Note', value: 'a', oninput });
		await type(getByLabelText('Note'), 'poor light');
		expect(oninput).toHaveBeenCalledOnce();
	});
});

describe('a choice', () => {
	const items = [
		{ value: 'full', name: 'Full sample' },
		{ value: 'half', name: 'Half sample' }
	];
	it('gives what was picked, with its form', async () => {
		const onpick = vi.fn();
		const { getByLabelText, container } = render(Choice, { name: 'sample', label: 'Sample', items, onpick });
		const list = getByLabelText('Sample');
		expect((list as HTMLSelectElement).value).toBe('full');
		await fireEvent.change(list, { target: { value: 'half' } });
		expect(onpick).toHaveBeenCalledWith('half', null);
		expect(sent(container)).toEqual([['sample', 'half']]);
	});
	it('by ticks keeps the value it was given, ticked or not', async () => {
		const { getByLabelText, container } = render(Checkbox, {
			name: 'looked',
			value: 'yes',
			children: words('I have looked')
		});
		expect(sent(container)).toEqual([]);
		await fireEvent.click(getByLabelText('I have looked'));
		expect(sent(container)).toEqual([['looked', 'yes']]);
		await fireEvent.click(getByLabelText('I have looked'));
		expect(sent(container)).toEqual([]);
	});
	it('that is ticked from the beginning stays so', () => {
		const { container } = render(Checkbox, {
			name: 'run',
			value: 'a',
			checked: true,
			children: words('Run')
		});
		expect(sent(container)).toEqual([['run', 'a']]);
	});
	it('of one among several is one', async () => {
		const { getByLabelText, container } = render(Radio, {
			name: 'portion',
			value: 'half',
			chosen: 'full',
			children: words('Half')
		});
		expect(sent(container)).toEqual([]);
		await fireEvent.click(getByLabelText('Half'));
		expect(sent(container)).toEqual([['portion', 'half']]);
	});
	it('that is one of a few in sight, under their name, sends the one that is chosen', async () => {
		const items = [
			{ value: 'reef', name: 'a mixed reef' },
			{ value: 'fish', name: 'fish only' }
		];
		const { getByLabelText, getByRole, container } = render(Tiles, {
			name: 'profile',
			label: 'It is',
			items,
			chosen: ''
		});
		expect(getByRole('group', { name: 'It is' })).toBeTruthy();
		expect(sent(container)).toEqual([]);
		await fireEvent.click(getByLabelText('fish only'));
		expect(sent(container)).toEqual([['profile', 'fish']]);
	});
	it('that switches at once says so', () => {
		const { getByRole } = render(Switch, { children: words('Sound') });
		expect(getByRole('switch')).toBeTruthy();
	});
});

describe('a file', () => {
	it('that is not taken empties its field', async () => {
		const onfile = vi.fn((file: File) => file.size < 10);
		const { getByLabelText } = render(FileField, { label: 'Method file', onfile });
		const field = getByLabelText('Method file') as HTMLInputElement;
		const choose = async (file: File) => {
			Object.defineProperty(field, 'files', { value: [file], configurable: true, writable: true });
			const emptied = vi.spyOn(field, 'value', 'set');
			await fireEvent.change(field);
			await Promise.resolve();
			return emptied.mock.calls.length;
		};
		expect(await choose(new File(['{}'], 'a.json'))).toBe(0);
		expect(await choose(new File(['x'.repeat(50)], 'b.json'))).toBe(1);
		expect(onfile).toHaveBeenCalledTimes(2);
	});
});

describe('a date', () => {
	const today = '2026-11-23' as CivilDate;
	it('stands and is typed in the order of its reader', async () => {
		as({ dates: 'month', clock: '12' });
		const onset = vi.fn();
		const { getByLabelText, container } = render(DateField, {
			name: 'when',
			label: 'When',
			of: 'moment',
			value: '2026-11-23T19:30',
			today,
			onset
		});
		const field = getByLabelText('When') as HTMLInputElement;
		expect(field.value).toBe('11/23/2026 7:30 pm');
		await type(field, '3/4/26 6:05 am');
		expect(onset).toHaveBeenLastCalledWith('2026-03-04T06:05');
		expect(container.textContent).toContain('Wed Mar 4 2026, 6:05 am');
		// What was understood is written out, so that a year that was left out is seen.
		expect(field.value).toBe('03/04/2026 6:05 am');
		await type(field, 'soon');
		expect(onset).toHaveBeenLastCalledWith(null);
		expect(field.value).toBe('soon');
		expect(container.textContent).toContain('Type it as 11/23/2026 7:30 pm.');
		await type(field, '');
		expect(onset).toHaveBeenLastCalledWith('');
	});
	it('of the clock alone has no calendar, and is typed as clocks are read', async () => {
		const onset = vi.fn();
		const { getByLabelText, queryByRole } = render(DateField, {
			label: 'Fed at',
			of: 'time',
			value: '19:30',
			today,
			onset
		});
		await type(getByLabelText('Fed at'), '7pm');
		expect(onset).toHaveBeenLastCalledWith('19:00');
		expect(queryByRole('button', { name: 'Calendar' })).toBeNull();
		await type(getByLabelText('Fed at'), '25:00');
		expect(onset).toHaveBeenLastCalledWith(null);
	});
	it('that was refused stands as it was typed', () => {
		const { getByLabelText } = render(DateField, { label: 'Bought', value: '31/04/2027', today });
		expect((getByLabelText('Bought') as HTMLInputElement).value).toBe('31/04/2027');
	});
	it('is picked from a month with the keyboard alone', async () => {
		const { getByRole, getByLabelText, queryByRole } = render(DateField, {
			label: 'Bought',
			value: '',
			today
		});
		await fireEvent.click(getByRole('button', { name: 'Calendar' }));
		const grid = getByRole('grid', { name: 'November 2026' });
		await press('ArrowDown', grid);
		await press('ArrowDown', grid);
		expect(getByRole('grid', { name: 'December 2026' })).toBeTruthy();
		expect(document.activeElement?.getAttribute('aria-label')).toBe('Mon 7 Dec 2026');
		await press('PageUp', grid);
		await press('ArrowLeft', grid);
		expect(document.activeElement?.getAttribute('aria-label')).toBe('Fri 6 Nov 2026');
		await fireEvent.click(document.activeElement!);
		expect((getByLabelText('Bought') as HTMLInputElement).value).toBe('06/11/2026');
		expect(queryByRole('grid')).toBeNull();
		await fireEvent.click(getByRole('button', { name: 'Calendar' }));
		await press('Escape', getByRole('grid'));
		expect(queryByRole('grid')).toBeNull();
	});
});

describe('a volume', () => {
	it('is in litres for those who have litres', () => {
		const { getByLabelText, container } = render(LitresField, {
			name: 'litres',
			label: 'Water',
			value: '56'
		});
		expect((getByLabelText('Water') as HTMLInputElement).value).toBe('56');
		expect(sent(container)).toEqual([['litres', '56']]);
	});
	it('is in gallons for those who have gallons, and says so to who reads it', async () => {
		as({ volumes: 'us-gallons' });
		const { getByLabelText, container } = render(LitresField, {
			name: 'litres',
			label: 'Water',
			value: '37.85411784'
		});
		expect(container.textContent).toContain('US gal');
		expect(sent(container)).toEqual([
			['litres.unit', 'us-gallon'],
			['litres', '10']
		]);
		await type(getByLabelText('Water'), 'lots');
		expect(sent(container)).toContainEqual(['litres', 'lots']);
	});
});

describe('a temperature beside a reading', () => {
	it('is shown and typed as its reader has it, and kept in degrees Celsius', async () => {
		const onset = vi.fn();
		const { getByLabelText, container } = render(TemperatureField, {
			label: 'temperature beside it',
			value: 25,
			unit: 'fahrenheit',
			onset,
			onfault: vi.fn()
		});
		const field = getByLabelText('temperature beside it') as HTMLInputElement;
		expect([field.value, container.textContent.includes('°F')]).toEqual(['77', true]);
		await fireEvent.change(field, { target: { value: '78,8' } });
		expect(onset.mock.lastCall?.[0]).toBeCloseTo(26, 9);
		await fireEvent.change(field, { target: { value: '' } });
		expect(onset.mock.lastCall?.[0]).toBeNull();
	});
});

describe('a reading in large figures', () => {
	it('is given to who asked, and gives way to what stands', async () => {
		const onenter = vi.fn();
		const { getByLabelText } = render(Readout, { label: 'left', unit: 'mL', value: '0.62', onenter });
		const field = getByLabelText('left') as HTMLInputElement;
		await fireEvent.change(field, { target: { value: '0,41' } });
		expect(onenter).toHaveBeenCalledWith('0,41');
		expect(field.value).toBe('0.62');
	});
});
