<script lang="ts">
	import type { OpenSession } from '$lib/contract/session';
	import type { Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		sessions: readonly OpenSession[];
		now: Instant;
		timeZone: string;
		ongoon: (session: OpenSession) => void;
		ondrop: (session: OpenSession) => void;
	}
	let { sessions, now, timeZone, ongoon, ondrop }: Props = $props();

	const when = (at: number) =>
		`${shortDay(at as Instant, timeZone, now)}, ${clockTime(at as Instant, timeZone)}`;
	function words(s: OpenSession): string {
		const open = s.tests.filter((t) => !t.over).length;
		const tests = open === 1 ? 'one test' : `${open} tests`;
		const waters = s.waters.map((w) => w.name).join(' and ');
		return s.state === 'planned'
			? `Planned for ${s.dueAt === null ? 'some day' : when(s.dueAt)}: ${tests} of ${waters}`
			: `Left unfinished, ${when(s.savedAt)}, by ${s.by}: ${tests} of ${waters} still open`;
	}
</script>

{#if sessions.length > 0}
	<ul class="mt-4 border-t" aria-label="Sessions">
		{#each sessions as s (s.sessionId)}
			<li class="flex flex-wrap items-center gap-3 border-b py-3">
				<span class="min-w-0 grow">{words(s)}.</span>
				<Button onclick={() => ongoon(s)}>{s.state === 'planned' ? 'Lay it out' : 'Go on with it'}</Button>
				<Button kind="quiet" onclick={() => ondrop(s)}>Drop it</Button>
			</li>
		{/each}
	</ul>
{/if}
