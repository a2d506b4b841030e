<script lang="ts">
	import type { PurifiedState } from '$lib/core/purified';
	import type { Instant } from '$lib/core/time';
	import { purifiedSentence } from '$lib/format/purified/purified';

	/** How the purified water stands, beside wherever it is used. */
	interface Props {
		waterId: string;
		purified: PurifiedState;
		timeZone: string;
		now: Instant;
	}
	let { waterId, purified, timeZone, now }: Props = $props();
</script>

<aside aria-label="Purified water" class="page pt-0!">
	<p
		class="small max-w-[44rem] border-l-4 pl-3 {purified.isPure === false
			? 'border-warn font-semibold'
			: 'border-line-strong'}"
	>
		<strong>Purified water.</strong>
		{purifiedSentence(purified, timeZone, now)}
		<a class="link" href="/waters/{waterId}/purified">Measure it, and what is to be changed</a>
	</p>
</aside>
