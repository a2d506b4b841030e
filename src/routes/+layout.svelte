<script lang="ts">
	import '../app.css';
	import { untrack } from 'svelte';
	import { browserClock } from '$lib/client/clock';
	import { setClock } from '$lib/ui/shared/context';

	let { data, children } = $props();
	// The clock is set once per visit; later loads must not make it jump.
	setClock(browserClock(untrack(() => data.clock)));
</script>

{@render children()}
