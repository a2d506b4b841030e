<script lang="ts">
	import Badge from '../Badge.svelte';
	import Button from '../Button.svelte';
	import Disclosure from '../Disclosure.svelte';
	import EmptyState from '../EmptyState.svelte';
	import Pagination from '../Pagination.svelte';
	import Panels from '../Panels.svelte';
	import Progress from '../Progress.svelte';
	import Tabs from '../Tabs.svelte';

	let shown = $state(3);
</script>

<div class="mt-4 grid gap-8 lg:grid-cols-2">
	<div>
		<Tabs
			label="What"
			items={[
				{ href: '#folding', name: 'One dose', current: true },
				{ href: '#buttons', name: 'Water change' },
				{ href: '#fields', name: 'Note or event' }
			]}
		/>
		<div class="mt-6">
			<Panels
				label="Ways to enter a kit"
				panels={[
					{ key: 'fields', name: 'In fields' },
					{ key: 'written', name: 'In its written form' }
				]}
			>
				{#snippet panel(key: string)}
					<p>{key === 'fields' ? 'Each figure of the leaflet has a field.' : 'The method as it is kept.'}</p>
				{/snippet}
			</Panels>
		</div>
		<div class="mt-6 border-t">
			<Disclosure title="How it was reckoned" class="border-b">
				<p class="figures pb-3">0.62 mL used × 0.15 dKH per 0.01 mL = 9.3 dKH</p>
			</Disclosure>
			<Disclosure title="Why ± 0.5" open class="border-b">
				<p class="pb-3">Most of it is the mark on the syringe.</p>
			</Disclosure>
		</div>
	</div>
	<div>
		<div class="flex flex-wrap gap-2">
			<Badge>half sample</Badge>
			<Badge>version 3</Badge>
			<Badge warns>past its date</Badge>
		</div>
		<div class="mt-6 grid gap-4">
			<Progress label="Drawing 200 000 tests" share={0.42} />
			<Progress label="Bringing the file in" share={null} />
		</div>
		<div class="mt-6"><Pagination label="Pages of the log" pages={9} bind:page={shown} /></div>
		<EmptyState title="Nothing here yet">
			What is tested on the bench stands in this list.
			{#snippet action()}<Button kind="primary" href="#buttons">Go to the bench</Button>{/snippet}
		</EmptyState>
	</div>
</div>
