<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import Dangers from './Dangers.svelte';

	interface Props {
		waterId: string;
		isVolumeKnown: boolean;
	}
	let { waterId, isVolumeKnown }: Props = $props();
</script>

<main class="page">
	<h1 class="text-3xl">The daily dose</h1>
	<p class="mt-3 max-w-[44rem]">
		A dose is tuned to what is used. {isVolumeKnown
			? 'Test alkalinity and calcium twice, some days apart, and it stands here, with what it does in two weeks.'
			: 'The net volume of this water is not known yet.'}
	</p>
	<p class="mt-4">
		{#if isVolumeKnown}<Button kind="primary" href="/waters/{waterId}/bench">Go to the bench</Button>
		{:else}<Button kind="primary" href="/waters/{waterId}/waters">Say its volume</Button>{/if}
	</p>
	<Dangers dangers={['concentrates', 'caustic', 'slowly', 'children', 'label']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
