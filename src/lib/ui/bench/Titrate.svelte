<script lang="ts">
	import { PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import { MAX_FILLS, otherScale, type ScaleReading } from '$lib/core/reading';
	import { roundTo } from '$lib/core/numeric';
	import type { Fault } from '$lib/core/result';
	import { faultText } from '$lib/format/faults';
	import { cautionOf } from '$lib/format/hazard';
	import { millilitres, plain } from '$lib/format/number';
	import { resultInUnit } from '$lib/format/quantity';
	import Syringe from '$lib/ui/instrument/Syringe.svelte';
	import Action from '$lib/ui/shared/Action.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { measure, readingOf, type BenchContext } from './measure';
	import Swatch from './Swatch.svelte';
	import VolumeField from './VolumeField.svelte';

	interface Props {
		desk: BenchDesk;
		context: BenchContext;
		unit: UnitId;
		onturned: () => void;
		ongiveup: () => void;
	}
	let { desk, context, unit, onturned, ongiveup }: Props = $props();

	const method = $derived(desk.method!);
	const draft = $derived(desk.draft!);
	const syringe = $derived(method.syringe);
	const step = $derived(desk.steps.at(-1)!);
	const fill = $derived(draft.fills.at(-1)!);
	let between = $state(false);
	let tipUp = $state(false);
	let fault = $state<Fault | null>(null);

	/** The last filling's end in the sense asked for, whatever it was entered as. */
	const endAs = (sense: 'left' | 'used'): ScaleReading | null => {
		if (!fill.end) return null;
		return sense === draft.readAs ? fill.end : otherScale(fill.startMl, fill.end);
	};
	const left = $derived(endAs('left'));
	const used = $derived(endAs('used'));
	const middleOf = (r: ScaleReading | null) =>
		r && roundTo((r.lowerMl + r.upperMl) / 2, syringe.graduationMl / 4);

	function setEnd(readAs: 'left' | 'used', end: ScaleReading): void {
		// All fillings are kept in one sense; an empty syringe reads the same in both.
		const others = draft.fills.slice(0, -1).map((f) => ({
			...f,
			end: f.end && readAs !== draft.readAs ? otherScale(f.startMl, f.end) : f.end
		}));
		desk.change({ readAs, fills: [...others, { ...fill, end }] });
		fault = null;
	}
	/** A position of the plunger as a reading: one mark, or the two that it stands between. */
	function around(ml: number): ScaleReading {
		const half = syringe.graduationMl / 2;
		const onMark = Math.abs(ml / syringe.graduationMl - Math.round(ml / syringe.graduationMl)) < 1e-6;
		return onMark
			? { lowerMl: ml, upperMl: ml }
			: { lowerMl: roundTo(ml - half, half), upperMl: roundTo(ml + half, half) };
	}
	function fromPlunger(leftMl: number): void {
		const end = around(leftMl);
		setEnd(syringe.readAs, syringe.readAs === 'left' ? end : otherScale(fill.startMl, end));
	}
	function fromField(readAs: 'left' | 'used', ml: number): void {
		const end = around(ml);
		if (end.upperMl > fill.startMl + 1e-9) {
			fault =
				end.upperMl > syringe.capacityMl + 1e-9
					? { code: 'beyond-syringe', details: { capacityMl: syringe.capacityMl } }
					: { code: 'start-below-end', details: { start: fill.startMl, end: end.upperMl } };
			return;
		}
		between = end.lowerMl !== end.upperMl;
		setEnd(readAs, end);
	}
	function toggleBetween(): void {
		between = !between;
		const at = middleOf(left);
		if (at === null) return;
		const half = syringe.graduationMl / 2;
		fromPlunger(
			between
				? at + half <= fill.startMl
					? roundTo(at + half, half)
					: roundTo(at - half, half)
				: roundTo(at - half, syringe.graduationMl)
		);
	}
	function refill(): void {
		const emptied = draft.readAs === 'left' ? 0 : fill.startMl;
		desk.change({
			fills: [
				...draft.fills.slice(0, -1),
				{ ...fill, end: { lowerMl: emptied, upperMl: emptied } },
				{ startMl: syringe.capacityMl, end: null }
			]
		});
	}
	function undoRefill(): void {
		desk.change({ fills: draft.fills.slice(0, -1) });
	}

	const live = $derived.by(() => {
		const reading = readingOf(draft);
		return reading && measure(method, reading, context);
	});
	const result = $derived(live?.derived.ok ? live.derived.value.result : null);
	const allUsed = $derived(live?.derived.ok ? live.derived.value.usedMl : null);

	function turned(): void {
		if (!live) {
			fault = { code: 'no-fill' };
			return;
		}
		if (!live.derived.ok) {
			fault = live.derived.fault;
			return;
		}
		onturned();
	}
	function key(event: KeyboardEvent): void {
		const inField = event.target instanceof HTMLInputElement;
		const onButton =
			event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null;
		if (event.key === 'Enter' && !inField && !onButton) {
			event.preventDefault();
			turned();
		} else if (event.key === 'Backspace' && !inField) {
			event.preventDefault();
			desk.note('undone');
		}
	}
	const toggle = (on: boolean) =>
		`min-h-12 rounded-md border-2 px-4 font-semibold ${on ? 'border-ink bg-ink text-surface' : 'border-line-strong'}`;
</script>

<svelte:window onkeydown={key} />

<div class="page titrate max-w-[78rem]! pt-4! lg:pt-6!">
	<div class="head">
		<p class="label figures">
			{PARAMETERS[method.parameter].name}, {plain(method.sampleMl[draft.portion])} mL
		</p>
		<h1 class="mt-2 text-2xl leading-tight text-balance md:text-5xl">{step.say}</h1>
		<p class="mt-3 hidden max-w-[38rem] text-lg text-muted sm:block">
			{step.detail} Then set the plunger to what you see.
		</p>
		<p class="mt-2 flex justify-between gap-x-2 gap-y-3 sm:mt-5 sm:justify-start sm:gap-x-8">
			<Swatch colour={method.colours.start} label="from" />
			<Swatch colour={method.colours.passing} label="nearly" />
			<Swatch colour={method.colours.end} label="stop at" />
		</p>
		<p class="small mt-2 hidden text-muted sm:block">
			The swatches only help to find the place. Judge the vial itself, against white, in daylight.
		</p>
	</div>
	<div class="hand">
		<div class="turned flex flex-wrap gap-3">
			<Action kind="primary" size="large" class="grow sm:grow-0" onclick={turned}>Colour has turned</Action>
		</div>
		{#if fault}<p role="alert" class="mt-3 font-semibold text-warn">{faultText(fault)}</p>{/if}

		<div class="mt-4 flex flex-wrap gap-3">
			{#if draft.fills.length < MAX_FILLS}
				<button type="button" class={toggle(false)} onclick={refill}>Empty: filled again</button>
			{/if}
			<button type="button" class={toggle(between)} aria-pressed={between} onclick={toggleBetween}
				>Between two marks</button
			>
			<button
				type="button"
				class={toggle(!draft.sure)}
				aria-pressed={!draft.sure}
				onclick={() => desk.change({ sure: !draft.sure })}>Not sure of the mark</button
			>
			<button type="button" class={toggle(tipUp)} aria-pressed={tipUp} onclick={() => (tipUp = !tipUp)}
				>Tip up</button
			>
		</div>
		{#if draft.fills.length > 1}
			<p class="small figures mt-4">
				Filling {draft.fills.length}; {millilitres(
					draft.fills.slice(0, -1).reduce((sum, f) => sum + f.startMl, 0)
				)} mL went in before it.
				<button type="button" class="link min-h-10 px-1" onclick={undoRefill}
					>Take the last filling back</button
				>
			</p>
		{/if}
		<p class="small mt-4 max-w-[38rem] border-l-4 border-line-strong pl-3">{cautionOf(method, step)}</p>
		<details class="mt-6 max-w-[38rem]">
			<summary class="link inline-block min-h-10">Why</summary>
			<p class="mt-1">{step.why}</p>
			<p class="mt-2">
				If the colour falls back after a while, the first turn counts. If you ran past it, say so in the note
				and test again.
			</p>
		</details>
		<p class="small mt-2">
			<button type="button" class="link mr-4 min-h-10" onclick={() => desk.note('undone')}
				>Back one step</button
			>
			<button type="button" class="link min-h-10" onclick={ongiveup}>Give this test up</button>
		</p>
	</div>

	<div class="instrument">
		<Syringe
			capacityMl={syringe.capacityMl}
			graduationMl={syringe.graduationMl}
			leftMl={middleOf(left)}
			startMl={fill.startMl}
			{between}
			{tipUp}
			onset={fromPlunger}
		/>
		<div class="mt-4 grid grid-cols-2 gap-3">
			<VolumeField
				label="left"
				asked={syringe.readAs === 'left'}
				reading={left}
				onset={(ml) => fromField('left', ml)}
				onfault={(f) => (fault = f)}
			/>
			<VolumeField
				label="used"
				asked={syringe.readAs === 'used'}
				reading={used}
				onset={(ml) => fromField('used', ml)}
				onfault={(f) => (fault = f)}
			/>
		</div>
		<p class="figures mt-4 border-t pt-3" aria-live="polite">
			{#if result}
				<span class="text-muted"
					>if it turned now{allUsed !== null && draft.fills.length > 1
						? `, ${millilitres(allUsed)} mL in all`
						: ''}</span
				>
				<strong class="block text-4xl leading-tight">{resultInUnit(result, unit)}</strong>
			{:else}
				<span class="text-muted"
					>The {PARAMETERS[method.parameter].name.toLowerCase()} in {UNITS[unit].symbol} stands here once the plunger
					is set.</span
				>
			{/if}
		</p>
	</div>
</div>

<style>
	.titrate {
		display: grid;
		gap: 1rem 2.5rem;
	}
	/* On a phone the one thing to press stays under the thumb. */
	.turned {
		position: fixed;
		inset-inline: 0;
		bottom: 0;
		z-index: 5;
		padding: 0.6rem 1rem;
		background: var(--surface);
		border-top: 1px solid var(--line);
	}
	.hand {
		padding-bottom: 4rem;
	}
	.hand {
		order: 3;
	}
	@media (min-width: 64rem) {
		.titrate {
			grid-template-columns: minmax(0, 1fr) 30rem;
			grid-template-rows: auto 1fr;
		}
		.instrument {
			grid-column: 2;
			grid-row: 1 / span 2;
		}
		.turned {
			position: static;
			padding: 0.75rem 0;
			border: 0;
		}
		.hand {
			padding-bottom: 0;
		}
	}
</style>
