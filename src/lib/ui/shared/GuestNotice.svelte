<script lang="ts">
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';

	interface Props {
		water: { readonly id: string; readonly guestUntil: Instant | null };
		timeZone: string;
		now: Instant;
	}
	let { water, timeZone, now }: Props = $props();
</script>

{#if water.guestUntil !== null}
	<div class="border-b bg-paper">
		<p class="mx-auto flex max-w-[80rem] flex-wrap gap-x-5 px-4 py-2.5 lg:px-8">
			<span
				><strong>A stranger’s bottle.</strong> Kept until {shortDay(water.guestUntil, timeZone, now)}.</span
			>
			<a class="link" href="/waters/{water.id}/sheet">Sheet to hand over</a>
			<a class="link" href="/waters/{water.id}/guests">Other bottles</a>
		</p>
	</div>
{/if}
