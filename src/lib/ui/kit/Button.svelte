<script lang="ts">
	import FlowbiteButton from 'flowbite-svelte/Button.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLAnchorAttributes, HTMLButtonAttributes } from 'svelte/elements';
	import type { Icon as IconOf } from './icon';

	type Rest = Omit<HTMLButtonAttributes, 'color' | 'size' | 'children' | 'class'> &
		Pick<HTMLAnchorAttributes, 'href' | 'download'>;

	interface Props extends Rest {
		/**
		 * The one next thing to press is primary; there is at most one on a screen. A text stands in a sentence or a row, a
		 * choice is on or off, a bare one has the look that `class` gives it.
		 */
		kind?: 'primary' | 'secondary' | 'quiet' | 'text' | 'choice' | 'bare';
		/** Large on the bench, for a wet thumb. */
		size?: 'normal' | 'large';
		/** Whether a choice is on; leave it out where pressing does something once. */
		pressed?: boolean | undefined;
		/** Before the word, never instead of it. */
		icon?: IconOf | undefined;
		class?: string;
		children: Snippet;
	}
	let {
		kind = 'secondary',
		size = 'normal',
		pressed,
		icon: Icon,
		class: extra = '',
		children,
		...rest
	}: Props = $props();

	const FRAMED =
		'inline-flex items-center justify-center gap-2 text-center rounded-md border-2 font-semibold';
	const LOOK = {
		primary: `${FRAMED} bg-accent text-white border-accent hover:bg-primary-800 hover:border-primary-800`,
		secondary: `${FRAMED} bg-surface text-ink border-ink hover:bg-paper`,
		quiet: `${FRAMED} bg-transparent text-ink border-transparent underline underline-offset-4 decoration-line-strong hover:decoration-current`,
		text: 'link text-left',
		choice: 'min-h-12 rounded-md border-2 px-4 font-semibold',
		bare: ''
	};
	const SIZE = { normal: 'min-h-11 px-4 text-base', large: 'min-h-14 px-6 text-lg' };
	const isFramed = $derived(kind === 'primary' || kind === 'secondary' || kind === 'quiet');
	const look = $derived(
		[
			LOOK[kind],
			isFramed ? SIZE[size] : '',
			kind === 'choice' ? (pressed ? 'border-ink bg-ink text-surface' : 'border-line-strong') : '',
			kind === 'bare' ? '' : 'disabled:opacity-45',
			kind === 'text' && Icon ? 'inline-flex items-center gap-1.5' : '',
			extra
		]
			.filter(Boolean)
			.join(' ')
	);
</script>

<FlowbiteButton type="button" aria-pressed={pressed} {...rest as Record<string, unknown>} class={look}>
	{#if Icon}<Icon class="size-5 shrink-0" />{/if}
	{@render children()}
</FlowbiteButton>
