<script lang="ts">
	import type { WaterLine } from '$lib/contract/today';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { matterWords } from '$lib/format/judgement/matter';
	import { isWarning } from '$lib/format/judgement/verdict';
	import Menu from '$lib/ui/kit/Menu.svelte';

	/** All waters in one mark: how many need somebody; opened, each with the worst of it. */
	interface Props {
		/** The worst first. */
		lines: readonly WaterLine[];
		current: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { lines, current, units, timeZone, now }: Props = $props();

	const needs = ({ worst, failed }: WaterLine) =>
		failed ||
		(worst !== null && (worst.danger || (worst.kind === 'verdict' && isWarning(worst.verdict.grade))));
	const count = $derived(lines.filter(needs).length);
	const says = (line: WaterLine) => {
		if (line.failed) return 'This water could not be judged; look at its log';
		if (line.worst) {
			const context = { units, timeZone, now, base: `/waters/${line.id}` };
			return matterWords(line.worst, context).title.replace(/\.$/, '');
		}
		return line.lastReadAt === null ? 'Nothing read yet' : 'Nothing needs a decision';
	};
	const more = (line: WaterLine) =>
		[
			line.others > 0 ? `${line.others} more` : '',
			line.due.length > 0 ? `${line.due.length} ${line.due.length === 1 ? 'test' : 'tests'} due` : '',
			line.leftOut > 0 ? `${line.leftOut} ${line.leftOut === 1 ? 'reading' : 'readings'} left out` : ''
		]
			.filter(Boolean)
			.join(', ');
</script>

<Menu
	title={count === 0 ? 'All waters' : count === 1 ? '1 needs you' : `${count} need you`}
	side="right"
	class="small {count > 0 ? 'text-warn' : 'text-muted'}"
>
	<li class="label px-4 pt-2 pb-1">Your waters, the one that needs you first</li>
	{#each lines as line (line.id)}
		<li class="border-t text-ink">
			<a
				href="/waters/{line.id}/{line.failed ? 'log' : 'today'}"
				aria-current={line.id === current ? 'page' : undefined}
				class="block w-[24rem] max-w-full px-4 py-2 hover:bg-paper"
			>
				<span class="flex flex-wrap items-baseline justify-between gap-x-4"
					><strong class="text-base">{line.name}</strong><span class="text-muted">{more(line)}</span></span
				>
				<span class="block {needs(line) ? 'font-semibold text-warn' : ''}"
					>{line.worst?.danger ? 'Danger: ' : ''}{says(line)}</span
				>
			</a>
		</li>
	{/each}
	<li class="flex flex-wrap gap-x-6 border-t px-4 text-ink">
		<a class="link flex min-h-11 items-center" href="/waters/{current}/board">As a board</a>
		<a class="link flex min-h-11 items-center" href="/waters/{current}/round">Plan a round</a>
	</li>
</Menu>
