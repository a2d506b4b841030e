<script lang="ts">
	import BoardView from '$lib/ui/board/BoardView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Board · Tevrik</title></svelte:head>
<BoardView
	board={data.board}
	waterId={data.water.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
