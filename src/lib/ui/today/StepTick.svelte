<script lang="ts">
	import { enhance } from '$app/forms';
	import type { SeenStep } from '$lib/core/correction';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { stepWords } from '$lib/format/adjust/adjust';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		/** Address of the plan. */
		plan: string;
		step: SeenStep;
		/** For the command that says it was done. */
		id: string | undefined;
		/** It waits until somebody has looked: nothing is given. */
		held: boolean;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { plan, step, id, held, units }: Props = $props();

	const mayBeTicked = $derived(
		step.state === 'open' && !held && step.what.kind !== 'test' && id !== undefined
	);
</script>

<span class="flex flex-wrap items-center justify-between gap-x-3">
	<span class="min-w-0">{step.state === 'done' ? '✓ ' : ''}{stepWords(step, units)}</span>
	{#if mayBeTicked}
		<May what="carry-out">
			<form method="post" action="{plan}?/step" use:enhance={sending}>
				<Hidden name="id" value={id!} />
				<Hidden name="stepId" value={step.id} />
				<Button type="submit" name="outcome" value="done" class="min-h-11"
					>{step.what.kind === 'remedy' ? 'Seen to it' : 'Given'}</Button
				>
			</form>
		</May>
	{/if}
</span>
