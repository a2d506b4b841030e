<script lang="ts">
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';

	interface Props {
		water: { readonly id: string; readonly endedAt: Instant | null };
		timeZone: string;
		now: Instant;
	}
	let { water, timeZone, now }: Props = $props();
</script>

{#if water.endedAt !== null}
	<div class="border-b bg-paper">
		<p class="mx-auto max-w-[80rem] px-4 py-2.5 lg:px-8">
			<strong>Taken down on {shortDay(water.endedAt, timeZone, now)}.</strong> It is kept as it was, and
			nothing is asked of it.
			<a class="link" href="/waters/{water.id}/waters?edit={water.id}">It runs again?</a>
		</p>
	</div>
{/if}
