<script lang="ts">
	import { idMaker } from '$lib/client/ids';
	import { madeSmall } from '$lib/client/photograph';
	import { MOST_PHOTOGRAPHS } from '$lib/contract/lengths';
	import { faultText } from '$lib/format/faults/faults';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import Fault from './Fault.svelte';
	import TakeBack from './TakeBack.svelte';
	import { clockOf } from './context';
	import { KeptBeside } from './kept-beside.svelte';

	interface Props {
		waterId: string;
		of: { readonly run: string } | { readonly item: string };
		/** Those that are kept. */
		photographs: readonly string[];
		/** What they are of, for those who do not see them. */
		what: string;
	}
	let { waterId, of, photographs, what }: Props = $props();

	const beside = new KeptBeside(
		() => waterId,
		() => of,
		() => photographs,
		idMaker(clockOf())
	);

	async function take(file: File): Promise<boolean> {
		const small = await madeSmall(file);
		if (small) await beside.keep(small);
		else beside.fault = faultText({ code: 'not-a-photograph' });
		// The same photograph may be chosen again.
		return false;
	}
</script>

{#if beside.all.length > 0}
	<ul class="flex flex-wrap gap-3">
		{#each beside.all as id, i (id)}
			<li>
				<a
					href="/waters/{waterId}/photographs/{id}"
					target="_blank"
					rel="noopener"
					class="block border border-line-strong"
				>
					<img
						src="/waters/{waterId}/photographs/{id}"
						alt="Photograph {i + 1} of {what}"
						class="h-28 w-auto"
						loading="lazy"
					/>
				</a>
				<TakeBack {beside} {id} what="photograph {i + 1}" />
			</li>
		{/each}
	</ul>
{/if}
{#if beside.all.length < MOST_PHOTOGRAPHS}
	<FileField
		label={beside.sending
			? 'Sending …'
			: beside.all.length > 0
				? 'Another photograph'
				: 'Take or choose a photograph'}
		class="mt-2"
		accept="image/*"
		disabled={beside.sending}
		onfile={take}
	/>
	<p class="small text-muted">
		Made small here; place and device are left out. It stands beside what was read and never changes it.
	</p>
{/if}
{#if beside.fault}<div class="mt-2"><Fault text={beside.fault} /></div>{/if}
