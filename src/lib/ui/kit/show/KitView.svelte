<script lang="ts">
	import { civilDate, type Instant } from '$lib/core/time';
	import Buttons from './Buttons.svelte';
	import Fields from './Fields.svelte';
	import Floating from './Floating.svelte';
	import Folding from './Folding.svelte';
	import Listing from './Listing.svelte';

	let { now }: { now: Instant } = $props();
	const today = $derived(civilDate(now, 'UTC'));
	const PARTS = [
		['buttons', 'Buttons and links'],
		['fields', 'Fields'],
		['folding', 'Tabs, folds, states'],
		['floating', 'What floats'],
		['listing', 'Tables']
	] as const;
</script>

<main class="page max-w-[72rem]!">
	<h1 class="text-3xl">Parts</h1>
	<p class="mt-1 max-w-[42rem] text-muted">
		Every part of the interface in every state. The theme follows the system; a narrow window shows the phone.
	</p>
	<nav aria-label="Parts" class="mt-3 flex flex-wrap gap-x-5">
		{#each PARTS as [id, name] (id)}<a class="link flex min-h-10 items-center" href="#{id}">{name}</a>{/each}
	</nav>
	<section id="buttons" class="mt-8 border-t pt-5">
		<h2 class="text-2xl">Buttons and links</h2>
		<Buttons />
	</section>
	<section id="fields" class="mt-10 border-t pt-5">
		<h2 class="text-2xl">Fields</h2>
		<Fields {today} />
	</section>
	<section id="folding" class="mt-10 border-t pt-5">
		<h2 class="text-2xl">Tabs, folds, states</h2>
		<Folding />
	</section>
	<section id="floating" class="mt-10 border-t pt-5">
		<h2 class="text-2xl">What floats</h2>
		<Floating />
	</section>
	<section id="listing" class="mt-10 border-t pt-5">
		<h2 class="text-2xl">Tables</h2>
		<Listing {today} />
	</section>
</main>
