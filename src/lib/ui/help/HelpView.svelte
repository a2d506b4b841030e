<script lang="ts">
	import { searchHelp } from '$lib/format/help/help';
	import { HELP_GROUPS } from '$lib/format/help/help-groups';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
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
		['Wheel', 'over all time below: less or more of it; over the rows with Ctrl'],
		['Home, End', 'the first and the last reading'],
		['Esc', 'the cursor goes away']
	] as const;
	let asked = $derived(query);
	const found = $derived(searchHelp(asked));
</script>

<main class="page max-w-[72rem]!">
	<h1 class="text-3xl">Help and shortcuts</h1>
	<form method="get" role="search" class="mt-5 flex max-w-[46rem] gap-3">
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
		{asked.trim() === ''
			? `${found.length} short texts, each under what it is about; a ? beside a thing opens its own.`
			: found.length === 0
				? 'Nothing holds all of these words. Try one of them alone.'
				: found.length === 1
					? 'One of them holds it'
					: `${found.length} of them hold it`}
	</p>
	{#if asked.trim() === ''}
		<div class="mt-5 gap-x-12 md:columns-2">
			{#each HELP_GROUPS as group (group.title)}
				<section class="mb-6 break-inside-avoid">
					<h2 class="label">{group.title}</h2>
					<div class="mt-1 border-b">
						{#each group.topics as id (id)}
							{@const topic = found.find((t) => t.id === id)}
							{#if topic}
								<Disclosure {id} class="border-t" look="min-h-9 py-1" title={topic.title}>
									<p class="pb-3 pl-5">{topic.text}</p>
								</Disclosure>
							{/if}
						{/each}
					</div>
				</section>
			{/each}
			{#each [{ title: 'Keys on the bench', keys: KEYS }, { title: 'Keys on the rows of Trends, once they are chosen', keys: TREND_KEYS }] as { title, keys } (title)}
				<section class="mb-6 break-inside-avoid">
					<h2 class="label">{title}</h2>
					<dl class="mt-1 border-b">
						{#each keys as [key, what] (key)}
							<div class="grid grid-cols-[8rem_1fr] gap-3 border-t py-1.5">
								<dt class="font-semibold">{key}</dt>
								<dd>{what}</dd>
							</div>
						{/each}
					</dl>
				</section>
			{/each}
		</div>
	{:else}
		<div class="mt-4 max-w-[46rem]">
			{#each found as topic (topic.id)}
				<section class="border-t py-4">
					<h2 class="text-xl" id={topic.id}>{topic.title}</h2>
					<p class="mt-1">{topic.text}</p>
				</section>
			{/each}
		</div>
	{/if}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/today">Back to Today</a></p>
</main>
