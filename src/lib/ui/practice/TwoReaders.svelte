<script lang="ts">
	import { untrack } from 'svelte';
	import { titrationsOf, type Method } from '$lib/core/method';
	import type { Subject } from '$lib/core/practice';
	import { subjectKey } from '$lib/core/practice';
	import { subjectName } from '$lib/format/practice/practice';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import TwoPlaces from './TwoPlaces.svelte';
	import TwoStops from './TwoStops.svelte';

	let { methods }: { methods: readonly Method[] } = $props();

	const vials = $derived(
		methods.flatMap((method): { subject: Exclude<Subject, { kind: 'scale' }>; method: Method }[] =>
			'colourSteps' in method
				? [{ subject: { kind: 'steps', methodCode: method.code }, method }]
				: titrationsOf(method).map((_, i) => ({
						subject: { kind: 'end-point', methodCode: method.code, titration: i === 0 ? 0 : 1 },
						method
					}))
		)
	);
	let key = $state(untrack(() => (vials[0] ? subjectKey(vials[0].subject) : '')));
	const vial = $derived(vials.find((v) => subjectKey(v.subject) === key));
</script>

<section class="mt-8" aria-labelledby="two-title">
	<h2 id="two-title" class="text-xl">One vial, two readers</h2>
	<p class="small mt-1 text-muted">
		On one device: the first answer is covered before the second is given; then both stand beside what it was.
		Nothing of it is kept.
	</p>
	<div class="mt-3 max-w-[24rem]">
		<Choice
			label="Kit"
			items={vials.map(({ subject }) => ({
				value: subjectKey(subject),
				name: subjectName(subject, methods)
			}))}
			bind:value={key}
		/>
	</div>
	{#key key}
		{#if vial?.subject.kind === 'end-point'}
			<TwoStops method={vial.method} which={vial.subject.titration} />
		{:else if vial && 'colourSteps' in vial.method}
			<TwoPlaces method={vial.method} />
		{/if}
	{/key}
</section>
