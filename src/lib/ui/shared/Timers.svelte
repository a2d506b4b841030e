<script lang="ts">
	import { countdown } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import { benchDeskOf } from './context';

	/** Where the bench is; null where one is at it. */
	let { href }: { href: string | null } = $props();
	const desk = benchDeskOf();
	const look = (over: boolean) =>
		`figures flex min-h-10 items-center gap-2 rounded-md border-2 px-3 ${over ? 'border-accent text-accent' : 'border-ink'}`;
</script>

{#each desk.timers as timer (timer.runId)}
	<Button
		kind="bare"
		{...href === null ? {} : { href }}
		class={look(timer.over)}
		onclick={() => desk.select(timer.runId)}
	>
		<span class="small">{timer.label}</span>
		<strong>{timer.over ? 'time is over' : countdown(timer.leftMs)}</strong>
	</Button>
{/each}
