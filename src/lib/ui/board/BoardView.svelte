<script lang="ts">
	import type { BoardCell, BoardWater } from '$lib/contract/board';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { longDay } from '$lib/format/date';
	import { matterWords } from '$lib/format/judgement/matter';
	import { inUnit } from '$lib/format/quantity';
	import { gradeWords, isWarning } from '$lib/format/judgement/verdict';

	interface Props {
		board: readonly BoardWater[];
		waterId: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { board, waterId, units, timeZone, now }: Props = $props();

	const FIRST: readonly ParameterId[] = [
		'alkalinity',
		'calcium',
		'magnesium',
		'nitrate',
		'phosphate',
		'ammonia',
		'nitrite',
		'salinity',
		'potassium',
		'hardness',
		'ph',
		'temperature'
	];
	const ordered = (cells: readonly BoardCell[]) =>
		[...cells].sort((a, b) => FIRST.indexOf(a.parameter) - FIRST.indexOf(b.parameter));
	const say = (p: ParameterId, x: { value: number; u: number }) => inUnit(p, x.value, x.u, units[p]);
	const worst = (water: BoardWater) =>
		water.worst ? matterWords(water.worst, { units, timeZone, now, base: `/waters/${water.id}` }).title : '';
</script>

<main class="px-4 py-6 lg:px-8">
	<div class="flex flex-wrap items-baseline justify-between gap-x-8">
		<h1 class="text-3xl">{longDay(now, timeZone)}</h1>
		<a class="link" href="/waters/{waterId}/today">Back to Today</a>
	</div>
	{#each board as water (water.id)}
		<section aria-labelledby="water-{water.id}" class="mt-6 border-t-2 border-ink pt-3">
			<div class="flex flex-wrap items-baseline justify-between gap-x-8">
				<h2 id="water-{water.id}" class="text-3xl">{water.name}</h2>
				<p class="text-lg {water.worst?.danger ? 'font-semibold text-warn' : 'text-muted'}">
					{water.worst?.danger ? 'Danger: ' : ''}{worst(water)}
				</p>
			</div>
			{#if water.leftOut > 0}
				<p class="mt-2">
					{water.leftOut === 1 ? '1 reading is' : `${water.leftOut} readings are`} left out of all reckoning.
					<a class="link" href="/waters/{water.id}/today">See which</a>
				</p>
			{/if}
			{#if water.failed}
				<p class="mt-2 text-lg text-warn">
					This water could not be judged. <a class="link" href="/waters/{water.id}/log">Look at its log</a>
				</p>
			{:else if water.cells.length === 0}
				<p class="mt-2 text-lg text-muted">Not tested lately.</p>
			{:else}
				<ul class="cells mt-3">
					{#each ordered(water.cells) as cell (cell.parameter)}
						{@const present = say(cell.parameter, cell.now)}
						{@const before = cell.weekAgo && say(cell.parameter, cell.weekAgo)}
						{@const warn = isWarning(cell.verdict.grade)}
						<li class="border-l py-1 pl-3">
							<p class="small truncate text-muted">
								{PARAMETERS[cell.parameter].name}{cell.parameter === 'ph'
									? ''
									: `, ${UNITS[units[cell.parameter]].symbol}`}
							</p>
							<p class="figures text-[2.2rem] leading-tight font-bold whitespace-nowrap">
								{present.value}<span class="pl-1 text-base font-normal text-muted">± {present.plusMinus}</span
								>
							</p>
							<p class="small figures">
								<span class="text-muted">last week {before ? before.value : '–'}</span>
								{#if cell.verdict.grade}<strong class="block {warn ? 'text-warn' : ''}"
										>{gradeWords(cell.verdict.grade, cell.verdict.side)}</strong
									>{/if}
							</p>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
	{:else}
		<p class="mt-6 text-lg text-muted">No tank yet.</p>
	{/each}
</main>

<style>
	.cells {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(11rem, 45%), 1fr));
		gap: 1rem 0.75rem;
	}
</style>
