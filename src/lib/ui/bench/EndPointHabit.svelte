<script lang="ts">
	import { END_POINTS, type EndPoint } from '$lib/core/reading';
	import { END_POINT_NAMES } from '$lib/format/reading';

	let { value, onchange }: { value: EndPoint; onchange: (endPoint: EndPoint) => void } = $props();
	const id = $props.id();
</script>

<p class="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1">
	<label for={id}>I stop at</label>
	<select
		{id}
		{value}
		onchange={(e) => onchange(e.currentTarget.value as EndPoint)}
		class="min-h-12 rounded-md border-2 border-line-strong bg-surface py-1 pr-9 pl-3 font-semibold"
	>
		{#each END_POINTS as option (option)}<option value={option}>{END_POINT_NAMES[option]}</option>{/each}
	</select>
	<span class="small text-muted">Its bias is taken out.</span>
</p>
