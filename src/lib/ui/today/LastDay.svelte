<script lang="ts">
	import type { LastSession } from '$lib/contract/today';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { resultInUnit } from '$lib/format/quantity';
	import { gradeWords, isWarning } from '$lib/format/judgement/verdict';

	interface Props {
		session: LastSession;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { session, units, timeZone, now }: Props = $props();
</script>

<h2 class="label mt-8">Tested last, {ago(session.at, timeZone, now)}</h2>
<ul class="small figures mt-2">
	{#each session.results as { parameter, result, verdict }, i (i)}
		<li class="border-t py-1.5">
			<span class="font-semibold">{PARAMETERS[parameter].name}</span>
			{resultInUnit(result, units[parameter])}{#if verdict?.grade}<span
					class={isWarning(verdict.grade) ? 'font-semibold text-warn' : 'text-muted'}
					>, {gradeWords(verdict.grade, verdict.side).toLowerCase()}</span
				>{/if}
		</li>
	{/each}
</ul>
