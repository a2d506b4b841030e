<script lang="ts">
	import Button from 'flowbite-svelte/Button.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLAnchorAttributes, HTMLButtonAttributes } from 'svelte/elements';

	type Rest = Omit<HTMLButtonAttributes, 'color' | 'size' | 'children' | 'class'> &
		Pick<HTMLAnchorAttributes, 'href' | 'download'>;

	interface Props extends Rest {
		/** The one next thing to press is primary; there is at most one on a screen. */
		kind?: 'primary' | 'secondary' | 'quiet';
		/** Large on the bench, for a wet thumb. */
		size?: 'normal' | 'large';
		class?: string;
		children: Snippet;
	}
	let { kind = 'secondary', size = 'normal', class: extra = '', children, ...rest }: Props = $props();

	const LOOK = {
		primary:
			'bg-accent text-white hover:text-white focus-within:text-white border-2 border-accent hover:bg-primary-800 hover:border-primary-800',
		secondary: 'bg-surface text-ink hover:text-ink focus-within:text-ink border-2 border-ink hover:bg-paper',
		quiet:
			'bg-transparent text-ink hover:text-ink focus-within:text-ink border-2 border-transparent underline underline-offset-4 decoration-line-strong hover:decoration-current'
	};
	const SIZE = { normal: 'min-h-11 px-4 text-base', large: 'min-h-14 px-6 text-lg' };
	const look = $derived(
		`rounded-md font-semibold shadow-none focus-within:ring-0 disabled:opacity-45 ${LOOK[kind]} ${SIZE[size]} ${extra}`
	);
</script>

<Button type="button" {...rest as Record<string, unknown>} color="alternative" class={look}>
	{@render children()}
</Button>
