<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { idMaker } from '$lib/client/ids';
	import { madeSmall, sendPhotograph, takePhotographBack } from '$lib/client/photograph';
	import { MOST_PHOTOGRAPHS } from '$lib/contract/lengths';
	import { faultText } from '$lib/format/faults/faults';
	import Button from '$lib/ui/kit/Button.svelte';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import Fault from './Fault.svelte';
	import { clockOf } from './context';

	interface Props {
		waterId: string;
		of: { readonly run: string } | { readonly item: string };
		/** Those that are kept. */
		photographs: readonly string[];
		/** What they are of, for those who do not see them. */
		what: string;
	}
	let { waterId, of, photographs, what }: Props = $props();

	const newId = idMaker(clockOf());
	let fault = $state('');
	let sending = $state(false);
	/** Sent from here; the page that shows them may not have been asked again. */
	let sent = $state<readonly string[]>([]);
	let takenBack = $state<readonly string[]>([]);
	/** Asked once more before it is taken back. */
	let asked = $state('');
	const all = $derived([...new Set([...photographs, ...sent])].filter((id) => !takenBack.includes(id)));

	async function takeBack(id: string): Promise<void> {
		fault = '';
		asked = '';
		const answer = await takePhotographBack(waterId, newId(), id);
		if (answer.kind === 'ok') {
			takenBack = [...takenBack, id];
			await invalidateAll();
		} else
			fault =
				answer.kind === 'refused'
					? faultText(answer.fault)
					: 'The server cannot be reached. Nothing was taken back.';
	}

	async function take(file: File): Promise<boolean> {
		sending = true;
		fault = '';
		const small = await madeSmall(file);
		if (!small) fault = faultText({ code: 'not-a-photograph' });
		else {
			const answer = await sendPhotograph(waterId, newId(), of, small);
			if (answer.kind === 'ok') {
				sent = [...sent, answer.value.photographId];
				await invalidateAll();
			} else fault = answer.kind === 'refused' ? faultText(answer.fault) : answer.message;
		}
		sending = false;
		// The same photograph may be chosen again.
		return false;
	}
</script>

{#if all.length > 0}
	<ul class="flex flex-wrap gap-3">
		{#each all as id, i (id)}
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
				{#if asked === id}
					<p class="small mt-1 max-w-[14rem]">
						It is shown no more, and its bytes are removed from the server.
						<Button kind="text" class="min-h-11 font-semibold" onclick={() => void takeBack(id)}
							>Take it back</Button
						>
						<Button kind="text" class="min-h-11" onclick={() => (asked = '')}>Keep it</Button>
					</p>
				{:else}
					<Button kind="text" class="small min-h-11" onclick={() => (asked = id)}
						>Take back photograph {i + 1}</Button
					>
				{/if}
			</li>
		{/each}
	</ul>
{/if}
{#if all.length < MOST_PHOTOGRAPHS}
	<FileField
		label={sending ? 'Sending …' : all.length > 0 ? 'Another photograph' : 'Take or choose a photograph'}
		class="mt-2"
		accept="image/*"
		disabled={sending}
		onfile={take}
	/>
	<p class="small text-muted">
		Made small here; place and device are left out. It stands beside what was read and never changes it.
	</p>
{/if}
{#if fault}<div class="mt-2"><Fault text={fault} /></div>{/if}
