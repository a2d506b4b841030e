/**
 * The look of every part, once. The library's own theme files are replaced by this one where the application is built
 * (`vite.theme.ts`): its components keep their behaviour and bring none of their colours, so that neither their
 * dictionaries nor their style sheets are sent to anybody.
 *
 * A component with one class has a text here; one with several has a text for each of its places.
 */
export const THEME: Readonly<Record<string, string | Readonly<Record<string, string>>>> = {
	anchor: 'link',
	badge: {
		base: 'small figures inline-flex items-center gap-1 rounded-sm border border-line-strong px-2 whitespace-nowrap'
	},
	checkbox: {
		base: 'mt-0.5 size-5 shrink-0 accent-[var(--ink)]',
		div: 'flex cursor-pointer items-start gap-3'
	},
	drawer: {
		base: 'fixed inset-y-0 right-0 left-auto m-0 h-full max-h-none w-[min(26rem,100vw)] max-w-none border-l border-line-strong bg-surface p-6 text-ink shadow-lg'
	},
	fileupload: {
		base: 'block w-full max-w-full cursor-pointer file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-md file:border-2 file:border-ink file:bg-surface file:px-4 file:font-semibold file:text-ink',
		wrapper: ''
	},
	input: { base: '', input: '' },
	label: '',
	modal: {
		base: 'm-auto w-[min(34rem,calc(100vw-2rem))] rounded-lg border border-line-strong bg-surface p-6 text-ink shadow-lg backdrop:bg-[var(--veil)]'
	},
	paginationButton:
		'flex min-h-11 min-w-11 items-center justify-center rounded-md px-3 hover:bg-paper disabled:text-muted disabled:hover:bg-transparent in-aria-[current=page]:font-semibold in-aria-[current=page]:underline in-aria-[current=page]:decoration-2 in-aria-[current=page]:underline-offset-8',
	paginationNav: { base: 'figures flex flex-wrap items-center' },
	radio: {
		input: 'mt-0.5 size-5 shrink-0 accent-[var(--ink)]',
		label: 'flex cursor-pointer items-start gap-3'
	},
	select: { base: '', select: 'choice' },
	tabItem: { base: '', button: '' },
	table: { div: '', table: 'figures w-full text-left' },
	tabs: {
		base: 'flex flex-wrap gap-x-6 border-b',
		content: 'pt-4',
		active: 'min-h-11 border-b-3 border-ink font-semibold',
		inactive: 'min-h-11 border-b-3 border-transparent text-muted hover:text-ink'
	},
	textarea: { div: '', wrapper: '' },
	toast: {
		base: 'relative flex w-full items-start gap-3 border border-line-strong border-l-4 bg-surface py-3 pr-12 pl-4 shadow-lg',
		content: 'min-w-0'
	},
	toggle: {
		label: 'flex cursor-pointer items-center gap-3',
		input: 'peer visually-hidden',
		span: 'relative h-7 w-12 shrink-0 rounded-full border-2 border-line-strong bg-surface after:absolute after:top-0.5 after:left-0.5 after:size-5 after:rounded-full after:bg-line-strong peer-checked:border-ink peer-checked:bg-ink peer-checked:after:translate-x-5 peer-checked:after:bg-surface peer-focus-visible:outline-3 peer-focus-visible:outline-offset-2 peer-focus-visible:outline-accent peer-disabled:opacity-45'
	},
	tooltip: 'small z-50 max-w-64 rounded-md bg-ink px-3 py-2 text-surface shadow-lg'
};

interface Extra {
	readonly class?: unknown;
}

const joined = (own: string, extra?: Extra): string =>
	[own, typeof extra?.class === 'string' ? extra.class : ''].filter(Boolean).join(' ');

/** The places of a component, each with what the component adds; a place that has no look of ours has none. */
function placesOf(
	own: Readonly<Record<string, string>>
): Readonly<Record<string, (extra?: Extra) => string>> {
	return new Proxy({}, { get: (_, place) => (extra?: Extra) => joined(own[String(place)] ?? '', extra) });
}

/**
 * What a component of the library asks its theme for: called with its variants, it answers with a class or with the
 * classes of its places. Variants are ours to decide, in the parts: here they change nothing.
 *
 * @param name of the theme in the library, such as "checkbox"
 */
export function themeOf(name: string): (variants?: Extra) => unknown {
	const own = THEME[name] ?? {};
	if (typeof own === 'string') return (variants) => joined(own, variants);
	const places = placesOf(own);
	return () => places;
}
