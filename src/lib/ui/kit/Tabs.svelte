<script lang="ts">
	interface Props {
		label: string;
		/** Each has an address of its own; the one that is open is current. */
		items: readonly { readonly href: string; readonly name: string; readonly current?: boolean }[];
	}
	let { label, items }: Props = $props();
</script>

<nav aria-label={label} class="flex flex-wrap border-b">
	{#each items as { href, name, current = false } (href)}
		<a
			{href}
			aria-current={current ? 'true' : undefined}
			class="-mb-px flex min-h-11 items-center border-b-2 px-3 {current
				? 'border-ink font-semibold'
				: 'border-transparent text-muted hover:text-ink'}">{name}</a
		>
	{/each}
</nav>
