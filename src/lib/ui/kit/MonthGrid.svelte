<script lang="ts">
	import ChevronLeftOutline from 'flowbite-svelte-icons/ChevronLeftOutline.svelte';
	import ChevronRightOutline from 'flowbite-svelte-icons/ChevronRightOutline.svelte';
	import { tick } from 'svelte';
	import type { CivilDate } from '$lib/core/time';
	import { dayInWords, monthInWords } from '$lib/format/date';
	import { reader } from '$lib/format/reader';
	import Button from './Button.svelte';
	import { monthOf, moved, weekdays } from './month';

	interface Props {
		chosen: CivilDate | null;
		today: CivilDate;
		onpick: (day: CivilDate) => void;
		/** Pressed Escape in it. */
		onleave: () => void;
	}
	let { chosen, today, onpick, onleave }: Props = $props();

	/** The day that the keyboard is on; its month is shown. */
	let at = $derived(chosen ?? today);
	let grid: HTMLElement;
	const mondayFirst = $derived(reader().dates !== 'month');
	const weeks = $derived(monthOf(at, mondayFirst));

	async function go(to: CivilDate): Promise<void> {
		at = to;
		await tick();
		grid.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
	}
	const STEPS: Readonly<Record<string, { readonly days?: number; readonly months?: number }>> = {
		ArrowLeft: { days: -1 },
		ArrowRight: { days: 1 },
		ArrowUp: { days: -7 },
		ArrowDown: { days: 7 },
		PageUp: { months: -1 },
		PageDown: { months: 1 }
	};
	function key(event: KeyboardEvent): void {
		const step = STEPS[event.key];
		if (event.key === 'Escape') onleave();
		else if (step) void go(moved(at, step));
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div class="inline-block max-w-full rounded-md border border-line-strong bg-surface p-2">
	<div class="flex items-center justify-between">
		<Button
			kind="text"
			icon={ChevronLeftOutline}
			class="min-h-10 px-1"
			onclick={() => (at = moved(at, { months: -1 }))}>Earlier</Button
		>
		<strong aria-live="polite">{monthInWords(at)}</strong>
		<Button
			kind="text"
			icon={ChevronRightOutline}
			class="min-h-10 px-1"
			onclick={() => (at = moved(at, { months: 1 }))}>Later</Button
		>
	</div>
	<div
		role="grid"
		tabindex="-1"
		aria-label={monthInWords(at)}
		class="figures"
		bind:this={grid}
		onkeydown={key}
	>
		<div role="row" class="grid grid-cols-7!">
			{#each weekdays(mondayFirst) as name (name)}
				<span role="columnheader" class="small py-1 text-center text-muted">{name}</span>
			{/each}
		</div>
		{#each weeks as week (week[0])}
			<div role="row" class="grid grid-cols-7!">
				{#each week as day (day)}
					<div role="gridcell" aria-selected={day === chosen} class="contents">
						<Button
							kind="bare"
							tabindex={day === at ? 0 : -1}
							aria-label={dayInWords(day)}
							aria-current={day === today ? 'date' : undefined}
							class="min-h-10 min-w-10 rounded-md hover:bg-paper {day === chosen
								? 'bg-ink text-surface hover:bg-ink'
								: day.slice(0, 7) === at.slice(0, 7)
									? ''
									: 'text-muted'} {day === today ? 'font-bold underline underline-offset-4' : ''}"
							onclick={() => onpick(day)}>{Number(day.slice(8))}</Button
						>
					</div>
				{/each}
			</div>
		{/each}
	</div>
</div>
