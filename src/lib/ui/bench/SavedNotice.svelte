<script lang="ts">
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { TestResult } from '$lib/core/reading';
	import { resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDraft } from '$lib/ui/shared/bench-session';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import VoiceNotes from '$lib/ui/shared/VoiceNotes.svelte';

	interface Props {
		draft: BenchDraft;
		/** What its sample gave, the newest last. */
		all: readonly (readonly TestResult[])[];
		/** It waits in this browser for the server. */
		here: boolean;
		waterId: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		onagain: () => void;
	}
	let { draft, all, here, waterId, units, onagain }: Props = $props();
</script>

<div role="status" class="border-b bg-paper">
	<div class="page flex max-w-[76rem]! flex-wrap items-center gap-x-6 gap-y-3 py-5!">
		<p class="figures text-xl">
			<strong>{here ? 'Kept on this device.' : 'Saved.'}</strong>
			{#each all.at(-1) ?? [] as result (result.parameter)}
				{PARAMETERS[result.parameter].name}
				{resultInUnit(result, units[result.parameter])}.
			{/each}
			{#if here}The server cannot be reached; it is sent when it is back.{/if}
		</p>
		{#if draft.standard && draft.kit}
			<Button kind="primary" href="/waters/{waterId}/shelf/{draft.kit.id}#check">Go on with the check</Button>
		{/if}
		<Button onclick={onagain}>Test the same sample again</Button>
		<Button href="/waters/{waterId}/today">See Today</Button>
		<Button href="/waters/{waterId}/adjust">What to put right</Button>
		<Button href="/waters/{waterId}/trends">See the trend</Button>
		{#if !here}
			<div class="basis-full">
				<Photographs {waterId} of={{ run: draft.runId }} photographs={[]} what="this test" />
				<VoiceNotes {waterId} runId={draft.runId} kept={[]} what="this test" />
			</div>
		{/if}
	</div>
</div>
