<script lang="ts">
	import type { WaterLine } from '$lib/contract/today';
	import { nameWithin, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { matterWords } from '$lib/format/judgement/matter';
	import { STAGE_NAMES } from '$lib/format/judgement/stage';
	import { isWarning } from '$lib/format/judgement/verdict';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	interface Props {
		lines: readonly WaterLine[];
		current: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { lines, current, units, timeZone, now }: Props = $props();

	const MOST = 3;
	const isOpen = (line: WaterLine, i: number) => i < MOST || line.failed || line.worst?.danger === true;
	const open = $derived(lines.filter(isOpen));
	const folded = $derived(lines.filter((l, i) => !isOpen(l, i)));
	const warns = ({ worst, failed }: WaterLine) =>
		failed ||
		(worst !== null && (worst.danger || (worst.kind === 'verdict' && isWarning(worst.verdict.grade))));
	const says = (line: WaterLine) =>
		line.failed
			? 'This water could not be judged; look at its log'
			: line.worst
				? matterWords(line.worst, { units, timeZone, now, base: `/waters/${line.id}` }).title.replace(
						/\.$/,
						''
					)
				: line.lastReadAt === null
					? 'Nothing read yet'
					: 'Nothing needs a decision';
	const dueWords = (line: WaterLine) => {
		if (line.leftOut > 0) return `${line.leftOut} ${line.leftOut === 1 ? 'reading' : 'readings'} left out`;
		if (line.due.length === 0) return line.lastReadAt ? `read ${ago(line.lastReadAt, timeZone, now)}` : '';
		const first = line.due.slice(0, 2).map(nameWithin).join(', ');
		return `due: ${first}${line.due.length > 2 ? ` and ${line.due.length - 2} more` : ''}`;
	};
</script>

{#snippet row(line: WaterLine)}
	<li class="border-t">
		<a
			href="/waters/{line.id}/{line.failed ? 'log' : 'today'}"
			aria-current={line.id === current ? 'page' : undefined}
			class="grid min-h-10 grid-cols-1 items-baseline gap-x-6 py-1.5 hover:bg-paper sm:grid-cols-[13rem_minmax(0,1fr)_minmax(0,16rem)]"
		>
			<span class="truncate"
				><strong>{line.name}</strong>{#if line.stage}<span class="small pl-2 text-muted"
						>{STAGE_NAMES[line.stage].toLowerCase()}</span
					>{/if}</span
			>
			<span class="truncate {warns(line) ? 'font-semibold text-warn' : ''}"
				>{line.worst?.danger ? 'Danger: ' : ''}{says(line)}{#if line.others > 0}<span
						class="small pl-2 font-normal text-muted">and {line.others} more</span
					>{/if}</span
			>
			<span class="small hidden truncate text-muted sm:block sm:text-right">{dueWords(line)}</span>
		</a>
	</li>
{/snippet}

<section aria-labelledby="all-waters" class="border-b bg-surface px-4 py-3 lg:px-8">
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h2 id="all-waters" class="label">Your waters, the one that needs you first</h2>
		<a class="link small" href="/waters/{current}/board">As a board</a>
	</div>
	<ul class="mt-2 border-b">
		{#each open as line (line.id)}{@render row(line)}{/each}
	</ul>
	{#if folded.length > 0}
		<Disclosure look="link small py-2"
			>{#snippet title()}{folded.length} more waters{/snippet}
			<ul class="border-b">
				{#each folded as line (line.id)}{@render row(line)}{/each}
			</ul>
		</Disclosure>
	{/if}
</section>
