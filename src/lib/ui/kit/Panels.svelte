<script lang="ts">
	import TabItem from 'flowbite-svelte/TabItem.svelte';
	import FlowbiteTabs from 'flowbite-svelte/Tabs.svelte';
	import type { Snippet } from 'svelte';

	interface Panel {
		readonly key: string;
		readonly name: string;
	}
	interface Props {
		label: string;
		panels: readonly Panel[];
		selected?: string;
		/** What stands in the panel that is open. */
		panel: Snippet<[string]>;
	}
	let { label, panels, selected = $bindable(panels[0]?.key ?? ''), panel }: Props = $props();

	/** As a row of tabs is walked with arrows, wherever the library leaves it to the mouse. */
	function key(event: KeyboardEvent): void {
		const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
		if (!step) return;
		const tabs = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role="tab"]')];
		const at = tabs.indexOf(document.activeElement as HTMLElement);
		if (at < 0) return;
		event.preventDefault();
		const next = tabs[(at + step + tabs.length) % tabs.length];
		next?.focus();
		next?.click();
	}
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div onkeydown={key}>
	<FlowbiteTabs bind:selected divider={false} aria-label={label}>
		{#each panels as { key: one, name } (one)}
			<TabItem key={one} title={name} open={one === selected}>{@render panel(one)}</TabItem>
		{/each}
	</FlowbiteTabs>
</div>
