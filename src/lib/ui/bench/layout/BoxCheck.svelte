<script lang="ts">
	import { idMaker } from '$lib/client/ids';
	import type { BenchKit } from '$lib/contract/bench';
	import type { Method } from '$lib/core/method';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import { listed } from './layout-words';

	interface Props {
		waterId: string;
		kit: BenchKit;
		method: Method;
		/** It was looked through: it is not asked again. */
		onchecked: (complete: boolean) => void;
	}
	let { waterId, kit, method, onchecked }: Props = $props();

	const outbox = outboxOf();
	const newId = idMaker(clockOf());
	const reagents = $derived(method.reagents.map((r) => (r.what ? `${r.label}, ${r.what}` : r.label)));
	function checked(complete: boolean): void {
		const id = newId();
		const command = { id, waterId, itemId: kit.id, complete, note: '' };
		void outbox.put({ id, url: `/api/waters/${waterId}/boxes`, command, label: `The box of ${kit.name}` });
		onchecked(complete);
	}
</script>

<li class="border-2 border-ink p-3">
	<Disclosure title="New lot {kit.lotCode || kit.name}: all there?" look="min-h-9 font-semibold">
		<ul class="small list-disc pl-6">
			{#each [...reagents, ...method.equipment] as thing (thing)}<li>{thing}</li>{/each}
		</ul>
	</Disclosure>
	<p class="mt-1 flex flex-wrap gap-2" aria-label="The box of {listed([kit.name])}">
		<Button onclick={() => checked(true)}>All there</Button>
		<Button kind="quiet" onclick={() => checked(false)}>Not all</Button>
	</p>
</li>
