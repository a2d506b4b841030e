<script lang="ts">
	import CalendarMonthOutline from 'flowbite-svelte-icons/CalendarMonthOutline.svelte';
	import Input from 'flowbite-svelte/Input.svelte';
	import { typedDay, typedMoment, typedTime, type CivilDate } from '$lib/core/time';
	import { dayAsTyped, dayInWords, momentAsTyped, momentInWords, timeAsTyped } from '$lib/format/date';
	import { reader } from '$lib/format/reader';
	import Button from './Button.svelte';
	import FieldFrame from './FieldFrame.svelte';
	import MonthGrid from './MonthGrid.svelte';

	interface Props {
		name?: string;
		label: string;
		/** "2026-11-23", "2026-11-23T19:30" or "19:30"; or what was typed and refused; '' for none yet. */
		value: string;
		/** A day alone, a day and a time, or a time alone. */
		of?: 'day' | 'moment' | 'time';
		/** Where the water is. */
		today: CivilDate;
		required?: boolean;
		help?: string;
		fault?: string | undefined;
		class?: string;
		/** Given the day or moment as above; '' where the field is empty, null where it holds none. */
		onset?: (value: string | null) => void;
	}
	let {
		name,
		label,
		value,
		of = 'day',
		today,
		required = false,
		help = '',
		fault,
		class: extra = '',
		onset
	}: Props = $props();

	function read(typed: string): string | null {
		if (of === 'time') return typedTime(typed);
		const { dates } = reader();
		return of === 'day' ? typedDay(typed, dates, today) : typedMoment(typed, dates, today);
	}
	const AS_TYPED = { day: dayAsTyped, moment: momentAsTyped, time: timeAsTyped };
	const asTyped = (iso: string) => AS_TYPED[of](iso as CivilDate);
	/** As the field would have it; what is no day stays as it was typed. */
	const shown = (given: string) => {
		const iso = read(given);
		return iso ? asTyped(iso) : given;
	};

	// A change from outside, such as an answer of the server, gives way to nothing that is being typed.
	let text = $derived(shown(value));
	let calendar = $state(false);
	const iso = $derived(read(text));
	const example = $derived(asTyped({ day: today, moment: `${today}T19:30`, time: '19:30' }[of]));
	const IN_WORDS = { day: dayInWords, moment: momentInWords, time: timeAsTyped };
	const understood = $derived(iso ? IN_WORDS[of](iso) : '');
	const own = $derived(text.trim() !== '' && !iso ? `Type it as ${example}.` : '');

	function typed(next: string): void {
		text = next;
		onset?.(next.trim() === '' ? '' : read(next));
	}
	function pick(day: CivilDate): void {
		typed(asTyped(of === 'day' ? day : `${day}T${iso?.slice(11) ?? '12:00'}`));
		calendar = false;
	}
</script>

<FieldFrame {label} {help} {understood} fault={fault ?? own} class={extra}>
	{#snippet children({ class: look, ...control })}
		<div class="flex items-stretch gap-2">
			<Input
				{...control}
				{...name ? { name } : {}}
				type="text"
				autocomplete="off"
				{required}
				placeholder={example}
				bind:value={() => text, (next) => typed(next ?? '')}
				onchange={() => iso && typed(asTyped(iso))}
				class="figures min-w-0 {look}"
			/>
			{#if of !== 'time'}
				<Button
					kind="quiet"
					icon={CalendarMonthOutline}
					class="shrink-0 px-2!"
					aria-expanded={calendar}
					aria-controls="{control.id}-month"
					onclick={() => (calendar = !calendar)}>Calendar</Button
				>
			{/if}
		</div>
		{#if calendar}
			<div id="{control.id}-month" class="mt-2">
				<MonthGrid
					chosen={iso ? (iso.slice(0, 10) as CivilDate) : null}
					{today}
					onpick={pick}
					onleave={() => (calendar = false)}
				/>
			</div>
		{/if}
	{/snippet}
</FieldFrame>
