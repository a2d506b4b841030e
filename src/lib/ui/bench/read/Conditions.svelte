<script lang="ts">
	import { BACKGROUNDS, COURSES, LIGHTS, type Circumstances, type ReadingForm } from '$lib/core/reading';
	import { BACKGROUND_WORDS, COURSE_SHORT, LIGHT_WORDS } from '$lib/format/log/reading';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	interface Props {
		form: ReadingForm;
		value: Circumstances;
		onchange: (value: Circumstances) => void;
	}
	let { form, value, onchange }: Props = $props();

	const FIRST = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
	/** What is asked of a reading by eye, and not of a number on a display. */
	const byColour = $derived(form !== 'display' && form !== 'line');
	const usual = $derived(value.light === 'daylight' && value.background === 'white');
	/** Ticks that any reading can have; each is said by one press and taken back by another. */
	const TICKS = $derived([
		...(form === 'display' || form === 'line' || form === 'step'
			? ([
					['bubblesOff', 'Bubbles tapped off'],
					['wiped', 'Glass wiped']
				] as const)
			: []),
		['cloudy', 'Cloudy'] as const,
		['doubtful', 'In doubt'] as const
	]);
	function toggle<K extends keyof Circumstances>(key: K, to: Circumstances[K]): void {
		const { [key]: before, ...others } = value;
		onchange(before === to ? others : { ...others, [key]: to });
	}
	const courseOf = $derived(value.course ?? 'as-written');
</script>

{#snippet choices(
	label: string,
	items: readonly (readonly [string, string])[],
	chosen: string | undefined,
	pick: (one: string) => void
)}
	<div role="group" aria-label={label} class="mt-2 flex flex-wrap items-center gap-2">
		<span class="small w-24 shrink-0 text-muted">{label}</span>
		{#each items as [one, name] (one)}
			<Button kind="choice" pressed={chosen === one} onclick={() => pick(one)}>{name}</Button>
		{/each}
	</div>
{/snippet}
{#snippet ticks()}
	{#each TICKS as [key, name] (key)}
		<Button kind="choice" pressed={value[key] ?? false} onclick={() => toggle(key, true)}>{name}</Button>
	{/each}
{/snippet}
{#snippet whole()}
	{#if byColour}
		{@render choices(
			'Light',
			LIGHTS.map((l) => [l, FIRST(LIGHT_WORDS[l])] as const),
			value.light,
			(l) => toggle('light', l as NonNullable<Circumstances['light']>)
		)}
		{@render choices(
			'Behind it',
			BACKGROUNDS.map((b) => [b, FIRST(BACKGROUND_WORDS[b])] as const),
			value.background,
			(b) => toggle('background', b as NonNullable<Circumstances['background']>)
		)}
		{@render choices(
			'The colour',
			COURSES.map((c) => [c, COURSE_SHORT[c]] as const),
			courseOf,
			(c) => onchange({ ...value, course: c as NonNullable<Circumstances['course']> })
		)}
	{/if}
	<p class="small mt-2 text-muted">Notes: they stand with the reading and change nothing in it.</p>
{/snippet}

<div class="mt-5 max-w-[38rem] border-t pt-3">
	{#if form === 'step' || !byColour}
		<div class="flex flex-wrap gap-2">
			{#if byColour}
				<Button
					kind="choice"
					pressed={usual}
					onclick={() => onchange({ ...value, light: 'daylight', background: 'white' })}
					>Daylight, on white</Button
				>
			{/if}
			{@render ticks()}
		</div>
		{#if byColour}
			<Disclosure class="mt-2" title="Another light, or the colour came oddly" look="link min-h-11">
				{@render whole()}
			</Disclosure>
		{/if}
	{:else}
		<!-- While drops fall, the eyes are on the vial: one thing to open, and all of it by the thumb. -->
		<Disclosure title="Light, doubt" look="link min-h-11">
			<div class="mt-1 flex flex-wrap gap-2">{@render ticks()}</div>
			{@render whole()}
		</Disclosure>
	{/if}
</div>
