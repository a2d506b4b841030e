<script lang="ts">
	import { PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { estimateShown, readingShown, readingWhen } from '$lib/format/trends/trend';
	import type { Series } from './chart/series';
	import type { StackState } from './StackState.svelte';
	import { underCursor } from './under-cursor';

	interface Props {
		stack: StackState;
		all: readonly Series[];
		timeZone: string;
		now: Instant;
	}
	let { stack, all, timeZone, now }: Props = $props();

	/** Everything under the cursor in one paragraph, for those who do not see the picture. */
	const words = $derived.by(() => {
		const at = stack.cursor;
		if (at === null) return '';
		const parts = all.map((series) => {
			const under = underCursor(series, at, stack.to - stack.from);
			const read = under.reading ? `, read ${readingShown(under.reading, series.unit)}` : '';
			return `${PARAMETERS[series.parameter].name} ${estimateShown(under)}${read}`;
		});
		return `${readingWhen(at, timeZone, now)}. ${parts.join('. ')}.`;
	});
</script>

{#if stack.cursor !== null}
	<p class="cursor figures small" aria-hidden="true">{readingWhen(stack.cursor, timeZone, now)}</p>
{/if}
<p class="visually-hidden" aria-live="polite">{words}</p>

<style>
	.cursor {
		position: fixed;
		z-index: 20;
		bottom: 0.75rem;
		left: 50%;
		transform: translateX(-50%);
		padding: 0.4rem 0.9rem;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: var(--surface);
		box-shadow: 0 2px 10px rgb(0 0 0 / 0.15);
		pointer-events: none;
	}
</style>
