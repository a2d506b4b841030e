<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { idMaker } from '$lib/client/ids';
	import { madeSmall, sendPhotograph } from '$lib/client/photograph';
	import { MOST_PHOTOGRAPHS } from '$lib/contract/photograph';
	import { faultText } from '$lib/format/faults';
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
	const all = $derived([...new Set([...photographs, ...sent])]);

	async function take(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const field = event.currentTarget;
		const [file] = field.files ?? [];
		if (!file) return;
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
		field.value = '';
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
			</li>
		{/each}
	</ul>
{/if}
{#if all.length < MOST_PHOTOGRAPHS}
	<label class="link mt-2 inline-flex min-h-12 cursor-pointer items-center">
		{sending ? 'Sending …' : all.length > 0 ? 'Another photograph' : 'Take or choose a photograph'}
		<input type="file" accept="image/*" class="visually-hidden" disabled={sending} onchange={take} />
	</label>
	<p class="small text-muted">
		Made small here; place and device are left out. It stands beside what was read and never changes it.
	</p>
{/if}
{#if fault}<div class="mt-2"><Fault text={fault} /></div>{/if}
