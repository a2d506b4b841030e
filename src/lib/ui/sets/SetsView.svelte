<script lang="ts">
	import type { TestSet } from '$lib/core/bench';
	import { PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { setDays } from '$lib/format/bench/set-days';
	import Button from '$lib/ui/kit/Button.svelte';
	import May from '$lib/ui/access/May.svelte';
	import type { SetMethod } from './SetDraft.svelte';
	import SetForm from './SetForm.svelte';

	interface Props {
		water: { readonly id: string; readonly name: string };
		/** Waters of the same site. */
		waters: readonly { readonly id: string; readonly name: string }[];
		sets: readonly TestSet[];
		methods: readonly SetMethod[];
		edited: string | null;
		id: string;
		setId: string;
		timeZone: string;
		now: Instant;
		refused: { readonly field: string; readonly text: string } | null;
	}
	let { water, waters, sets, methods, edited, id, setId, timeZone, now, refused }: Props = $props();

	const base = $derived(`/waters/${water.id}`);
	const set = $derived(sets.find((s) => s.id === edited) ?? null);
	const testWords = (s: TestSet) =>
		s.tests
			.map((t) => {
				const parameter = methods.find((m) => m.code === t.methodCode)?.parameter;
				const name = parameter ? PARAMETERS[parameter].name : t.methodCode;
				const of = t.waterId === water.id ? '' : ` of ${waters.find((w) => w.id === t.waterId)?.name ?? ''}`;
				return `${name}${of}${t.times > 1 ? `, ${t.times} times` : ''}`;
			})
			.join(', ');
</script>

<main class="page max-w-[70rem]!">
	<p class="label"><a class="link" href="{base}/bench">Bench</a></p>
	<h1 class="mt-2 text-3xl">Sets of tests</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		What you make together, by its name: it stands first at the bench and is laid out with one press, also
		when nothing is due.
	</p>
	<div class="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
		<section aria-labelledby="kept">
			<h2 id="kept" class="text-xl">Yours</h2>
			<ul class="mt-2 border-b">
				{#each sets as s (s.id)}
					<li class="flex flex-wrap items-center gap-3 border-t py-3">
						<span class="min-w-0 grow">
							<strong class="text-lg">{s.name}</strong>
							<span class="small block text-muted">{setDays(s)}{s.inOrder ? ', in your order' : ''}</span>
							<span class="block">{testWords(s)}</span>
						</span>
						<Button href="{base}/bench?set={s.id}">At the bench</Button>
						<May what="test"><Button kind="quiet" href="{base}/sets?edit={s.id}">Change</Button></May>
					</li>
				{:else}
					<li class="border-t py-4 text-muted">None yet. Put the tests together that you make in one go.</li>
				{/each}
			</ul>
		</section>
		<section aria-labelledby="edit" class="border-2 border-ink p-5">
			<h2 id="edit" class="mb-3 text-xl">{set ? `Change ${set.name}` : 'A new set'}</h2>
			<SetForm waterId={water.id} {waters} {methods} {set} {id} {setId} {timeZone} {now} {refused} />
		</section>
	</div>
</main>
