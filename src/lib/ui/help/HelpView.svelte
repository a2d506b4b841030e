<script lang="ts">
	import { searchHelp } from '$lib/format/help/help';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';

	let { waterId, query }: { waterId: string; query: string } = $props();

	const KEYS = [
		['Space or Enter', 'the next thing: add a drop, start the wait, go on'],
		['Any key', 'while drops are counted: one drop more'],
		['Enter', 'on an instrument: it is read; on the result: save it'],
		['↑ ↓', 'move the plunger, the line, the mark or the last digit by one division; with Shift by ten'],
		['Backspace', 'take the last press back'],
		['Esc', 'from the result back to the reading; nothing entered is lost']
	] as const;
	const TREND_KEYS = [
		['← →', 'from reading to reading; with Shift the axis moves'],
		['+ −', 'less time, more time'],
		['1 to 5', 'a week, a month, a quarter, a year, all'],
		['Home, End', 'the first and the last reading'],
		['Esc', 'the cursor goes away']
	] as const;
	let asked = $derived(query);
	const found = $derived(searchHelp(asked));
</script>

<main class="page max-w-[48rem]!">
	<h1 class="text-3xl">Help and shortcuts</h1>
	<form method="get" role="search" class="mt-5 flex gap-3">
		<Field
			type="search"
			name="q"
			label="Search the help"
			bare
			large
			class="grow"
			bind:value={asked}
			placeholder="Search: blank, last drop, old tank …"
		/>
		<noscript><Button type="submit">Search</Button></noscript>
	</form>
	<p class="small mt-2 text-muted" role="status">
		{found.length === 0
			? 'Nothing holds all of these words. Try one of them alone.'
			: asked.trim() === ''
				? `${found.length} short texts`
				: `${found.length} of them hold it`}
	</p>
	<div class="mt-4">
		{#each found as topic (topic.id)}
			<section class="border-t py-4">
				<h2 class="text-xl" id={topic.id}>{topic.title}</h2>
				<p class="mt-1">{topic.text}</p>
			</section>
		{/each}
	</div>
	{#if asked.trim() === ''}
		{#each [{ title: 'Keys on the bench', keys: KEYS }, { title: 'Keys on the rows of Trends, once they are chosen', keys: TREND_KEYS }] as { title, keys } (title)}
			<h2 class="label mt-8">{title}</h2>
			<dl class="mt-2">
				{#each keys as [key, what] (key)}
					<div class="grid grid-cols-[9rem_1fr] gap-4 border-t py-2">
						<dt class="font-semibold">{key}</dt>
						<dd>{what}</dd>
					</div>
				{/each}
			</dl>
		{/each}
	{/if}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/today">Back to Today</a></p>
</main>
