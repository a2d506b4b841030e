<script lang="ts">
	import { END_POINTS, type EndPoint } from '$lib/core/reading';
	import { END_POINT_NAMES } from '$lib/format/log/reading';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { value, onchange }: { value: EndPoint; onchange: (endPoint: EndPoint) => void } = $props();
</script>

<div class="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1">
	<span aria-hidden="true">I stop at</span>
	<Choice
		label="I stop at"
		bare
		large
		{value}
		items={END_POINTS.map((option) => ({ value: option, name: END_POINT_NAMES[option] }))}
		onpick={(picked) => onchange(picked as EndPoint)}
	/>
	<span class="small text-muted">Its bias is taken out.</span>
</div>
