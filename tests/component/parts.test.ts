import { fireEvent, render } from '@testing-library/svelte';
import CheckOutline from 'flowbite-svelte-icons/CheckOutline.svelte';
import { createRawSnippet } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import Badge from '$lib/ui/kit/Badge.svelte';
import Button from '$lib/ui/kit/Button.svelte';
import Disclosure from '$lib/ui/kit/Disclosure.svelte';
import EmptyState from '$lib/ui/kit/EmptyState.svelte';
import Hidden from '$lib/ui/kit/Hidden.svelte';
import Link from '$lib/ui/kit/Link.svelte';
import Menu from '$lib/ui/kit/Menu.svelte';
import Pagination from '$lib/ui/kit/Pagination.svelte';
import Panels from '$lib/ui/kit/Panels.svelte';
import Progress from '$lib/ui/kit/Progress.svelte';
import Table from '$lib/ui/kit/Table.svelte';
import Tabs from '$lib/ui/kit/Tabs.svelte';
import { THEME, themeOf } from '$lib/ui/kit/theme';
import ToastBoard from '$lib/ui/kit/ToastBoard.svelte';
import { Toasts } from '$lib/ui/kit/toasts.svelte';
import { press, sent, words } from './hand';

afterEach(() => vi.useRealTimers());

describe('a button', () => {
	it('does not send a form unless it is told to', async () => {
		const { getByRole, rerender } = render(Button, { children: words('Add a drop') });
		expect(getByRole('button').getAttribute('type')).toBe('button');
		await rerender({ type: 'submit' });
		expect(getByRole('button').getAttribute('type')).toBe('submit');
	});
	it('is a link where it leads somewhere', () => {
		const { getByRole } = render(Button, { href: '/waters', children: words('Waters') });
		expect(getByRole('link', { name: 'Waters' }).getAttribute('href')).toBe('/waters');
	});
	it('that is off cannot be pressed, and one that is a choice says whether it is on', async () => {
		const onclick = vi.fn();
		const { getByRole, rerender } = render(Button, { disabled: true, onclick, children: words('Save') });
		await fireEvent.click(getByRole('button'));
		expect(onclick).not.toHaveBeenCalled();
		expect(getByRole('button').hasAttribute('aria-pressed')).toBe(false);
		await rerender({ disabled: false, kind: 'choice', pressed: true });
		expect(getByRole('button').getAttribute('aria-pressed')).toBe('true');
	});
	it('has an icon beside its word, which nobody hears', () => {
		const { getByRole } = render(Button, { icon: CheckOutline, children: words('Done') });
		expect(getByRole('button', { name: 'Done' }).querySelector('svg')?.getAttribute('aria-hidden')).toBe(
			'true'
		);
	});
	it('has the colours of this theme alone', () => {
		const { getByRole } = render(Button, { kind: 'primary', children: words('Save') });
		expect(getByRole('button').className).toContain('bg-accent');
		expect(getByRole('button').className).not.toMatch(/blue|gray|dark:/);
	});
});

describe('the theme', () => {
	it('answers with one class, or with one for each place of a part', () => {
		expect(themeOf('anchor')({ class: 'mt-2' })).toBe('link mt-2');
		const places = themeOf('table')() as Record<string, (extra?: { class?: string }) => string>;
		expect(places.table!({ class: 'mt-2' })).toBe('figures w-full text-left mt-2');
		expect(places.anything!()).toBe('');
		expect((themeOf('of-no-part')() as typeof places).base!({ class: 'x' })).toBe('x');
	});
	it('has no colour that is not a property of the product', () => {
		const text = JSON.stringify(THEME);
		expect(text).not.toMatch(/-(blue|green|red|gray|white|black|slate)-?\d*/);
		expect(text).not.toContain('dark:');
	});
});

describe('what leads on', () => {
	it('is a link with its words', () => {
		const { getByRole } = render(Link, { href: '/help', class: 'small', children: words('Help') });
		expect(getByRole('link', { name: 'Help' }).className).toBe('link small');
	});
	it('in a row of views says which is open', () => {
		const { getAllByRole } = render(Tabs, {
			label: 'What',
			items: [
				{ href: '?a', name: 'One dose', current: true },
				{ href: '?b', name: 'Note' }
			]
		});
		expect(getAllByRole('link').map((a) => a.getAttribute('aria-current'))).toEqual(['true', null]);
	});
	it('from page to page is told, and is nothing where there is one', async () => {
		const onpage = vi.fn();
		const { getByRole, queryByRole, rerender } = render(Pagination, {
			label: 'Pages',
			pages: 9,
			page: 3,
			onpage
		});
		await fireEvent.click(getByRole('button', { name: 'After' }));
		expect(onpage).toHaveBeenCalledWith(4);
		await rerender({ pages: 1 });
		expect(queryByRole('navigation')).toBeNull();
	});
});

describe('what opens', () => {
	it('is a fold of the platform', async () => {
		const { container } = render(Disclosure, { title: 'Why', children: words('Because.') });
		const fold = container.querySelector('details')!;
		expect([fold.open, fold.querySelector('summary')?.textContent.trim()]).toEqual([false, 'Why']);
		fold.open = true;
		await fireEvent(fold, new Event('toggle'));
		expect(fold.open).toBe(true);
	});
	it('as a menu is walked with arrows, and closed by Escape and by a press elsewhere', async () => {
		const items = createRawSnippet(() => ({
			render: () => '<li><a href="/a">A</a><a href="/b">B</a></li>'
		}));
		const { container } = render(Menu, { title: 'Waters', children: items });
		const box = container.querySelector('details')!;
		const frame = () => new Promise((done) => requestAnimationFrame(done));
		box.querySelector('summary')!.focus();
		await press('ArrowDown', box);
		await frame();
		expect([box.open, document.activeElement?.textContent]).toEqual([true, 'A']);
		await press('ArrowUp', box);
		await frame();
		expect(document.activeElement?.textContent).toBe('B');
		await press('Escape', box);
		expect([box.open, document.activeElement?.tagName]).toEqual([false, 'SUMMARY']);
		await press('ArrowDown', box);
		await fireEvent.click(document.body);
		expect(box.open).toBe(false);
	});
	it('as panels shows one, and is walked with arrows', async () => {
		const panel = createRawSnippet((key: () => string) => ({ render: () => `<p>panel ${key()}</p>` }));
		const { getByRole, container } = render(Panels, {
			label: 'Ways',
			panels: [
				{ key: 'fields', name: 'In fields' },
				{ key: 'written', name: 'Written' }
			],
			panel
		});
		expect(container.textContent).toContain('panel fields');
		getByRole('tab', { name: 'In fields' }).focus();
		await press('ArrowRight', document.activeElement!);
		expect(getByRole('tab', { name: 'Written' }).getAttribute('aria-selected')).toBe('true');
		expect(container.textContent).toContain('panel written');
	});
});

describe('what is told', () => {
	it('goes by itself, but not before it could be read, and what undoes it can be pressed', async () => {
		vi.useFakeTimers();
		const toasts = new Toasts();
		const undo = vi.fn();
		const { getByRole, container } = render(ToastBoard, { toasts });
		toasts.tell('The reading was taken back.', { word: 'Keep it', press: undo });
		await vi.advanceTimersByTimeAsync(5000);
		expect(container.textContent).toContain('taken back');
		await fireEvent.click(getByRole('button', { name: 'Keep it' }));
		expect(undo).toHaveBeenCalledOnce();
		expect(toasts.all).toEqual([]);
		toasts.tell('Kept.');
		await vi.advanceTimersByTimeAsync(20_000);
		expect(toasts.all).toEqual([]);
	});
	it('of something under way is how far it is, where anybody knows', async () => {
		const { getByRole, container, rerender } = render(Progress, { label: 'Drawing', share: 0.42 });
		expect((getByRole('progressbar', { name: 'Drawing' }) as HTMLProgressElement).value).toBeCloseTo(0.42);
		expect(container.textContent).toContain('42 %');
		await rerender({ share: null });
		expect(getByRole('progressbar').hasAttribute('value')).toBe(false);
	});
	it('in a word of warning has the colour of warnings', () => {
		const { getByText } = render(Badge, { warns: true, children: words('past its date') });
		expect(getByText('past its date').closest('div')?.className).toContain('text-warn');
	});
	it('of nothing says what to do first', () => {
		const { getByRole } = render(EmptyState, {
			title: 'Nothing here yet',
			children: words('Test something.'),
			action: words('Go')
		});
		expect(getByRole('heading').textContent).toBe('Nothing here yet');
	});
});

describe('what is carried along', () => {
	it('is sent and not seen', () => {
		const { container } = render(Hidden, { name: 'id', value: '7' });
		expect(sent(container)).toEqual([['id', '7']]);
	});
	it('in a wide table is reached with the keyboard', () => {
		const { getByRole } = render(Table, {
			wide: 'Doses',
			children: createRawSnippet(() => ({ render: () => '<tbody><tr><td>1</td></tr></tbody>' }))
		});
		expect(getByRole('region', { name: 'Doses' }).tabIndex).toBe(0);
	});
});
