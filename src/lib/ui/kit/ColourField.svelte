<script lang="ts">
	interface Props {
		label: string;
		/** "#rrggbb" */
		value: string;
		name?: string;
		onset?: (value: string) => void;
	}
	let { label, value = $bindable(), name, onset }: Props = $props();
</script>

<!-- The library's field gives it its value before it is a field of colours, and the browser complains. -->
<input
	type="color"
	{...name ? { name } : {}}
	aria-label={label}
	bind:value
	oninput={(e) => onset?.(e.currentTarget.value)}
	class="h-11 w-14 shrink-0 border border-line-strong"
/>
