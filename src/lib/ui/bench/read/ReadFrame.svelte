<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { BenchOffer } from '$lib/contract/bench';
	import type { ProtocolStep } from '$lib/core/method';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { formOf } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import { faultText } from '$lib/format/faults/faults';
	import { cautionOf } from '$lib/format/bench/hazard';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Conditions from './Conditions.svelte';
	import SayFirst from './SayFirst.svelte';
	import HelpTopics from '$lib/ui/shared/HelpTopics.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import type { WatchAgain } from './WatchAgain.svelte';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		step: ProtocolStep;
		/** What is being tested, above the instruction. */
		label: string;
		/** The one button: what has happened. */
		doneText: string;
		fault: Fault | null;
		ondone: () => void;
		ongiveup: () => void;
		/** Swatches and the like, under the instruction. */
		head?: Snippet;
		/** The drawn instrument and the fields that belong to it. */
		instrument: Snippet;
		/** What else can be said of the reading. */
		controls?: Snippet;
		/** Of an end point: whether it is watched again. */
		watch?: WatchAgain;
		/** More under "Why". */
		more?: string;
	}
	let {
		desk,
		contexts,
		units,
		step,
		label,
		doneText,
		fault,
		ondone,
		ongiveup,
		head,
		instrument,
		controls,
		watch,
		more = ''
	}: Props = $props();

	const caution = $derived(cautionOf(desk.method!, step));

	function stood(): void {
		watch?.stood();
		ondone();
	}
	function key(event: KeyboardEvent): void {
		const { target } = event;
		const inField =
			target instanceof HTMLInputElement ||
			target instanceof HTMLSelectElement ||
			target instanceof HTMLTextAreaElement;
		const onButton = target instanceof HTMLElement && target.closest('button, a, summary') !== null;
		if (event.key === 'Enter' && !inField && !onButton) {
			event.preventDefault();
			ondone();
		}
	}
</script>

<svelte:window onkeydown={key} />

<div class="page read max-w-[78rem]! pt-4! lg:pt-6!">
	<div class="head">
		<p class="label figures">{label}</p>
		<h1 class="mt-2 text-2xl leading-tight text-balance md:text-5xl">{step.say}</h1>
		<p class="mt-3 hidden max-w-[38rem] text-lg text-muted sm:block">{step.detail}</p>
		{@render head?.()}
	</div>
	<div class="hand">
		<div class="done flex flex-wrap gap-3">
			{#if watch?.asking}
				<p role="status" class="basis-full text-lg font-semibold">
					Swirl on and watch it ten seconds more. Does the colour still change?
				</p>
				<Button kind="primary" size="large" class="grow sm:grow-0" onclick={stood}>It stood</Button>
				<Button size="large" class="grow sm:grow-0" onclick={() => watch.moved()}
					>It still changes: go on</Button
				>
			{:else}
				<Button kind="primary" size="large" class="grow sm:grow-0" onclick={ondone}>{doneText}</Button>
			{/if}
		</div>
		{#if watch && watch.firstAt !== null}
			<p class="mt-3 text-muted">What was added since you first called it is kept beside the reading.</p>
		{/if}
		{#if fault}<p role="alert" class="mt-3 font-semibold text-warn">{faultText(fault)}</p>{/if}
		{@render controls?.()}
		{#if desk.draft}
			<Conditions
				form={formOf(desk.method!)}
				value={desk.draft.reading.circumstances}
				onchange={(circumstances) => desk.read({ circumstances })}
			/>
			{#if !desk.draft.standard && !desk.draft.valueSeen}<SayFirst {desk} {contexts} {units} />{/if}
		{/if}
		{#if caution}<p class="small mt-4 max-w-[38rem] border-l-4 border-line-strong pl-3">{caution}</p>{/if}
		<Disclosure class="mt-6 max-w-[38rem]" title="Why" look="link min-h-10">
			<p class="mt-1">{step.why}</p>
			{#if more}<p class="mt-2">{more}</p>{/if}
		</Disclosure>
		<HelpTopics parameter={desk.method!.parameter} form={formOf(desk.method!)} />
		<p class="small mt-2">
			<Button kind="text" class="mr-4 min-h-10" onclick={() => desk.back()}>Back one step</Button>
			<Button kind="text" class="min-h-10" onclick={ongiveup}>Give this test up</Button>
		</p>
	</div>
	<div class="instrument">{@render instrument()}</div>
</div>

<style>
	.read {
		display: grid;
		gap: 1rem 2.5rem;
	}
	/* On a phone the one thing to press stays under the thumb. */
	.done {
		position: fixed;
		inset-inline: 0;
		bottom: 0;
		z-index: 5;
		padding: 0.6rem 1rem;
		background: var(--surface);
		border-top: 1px solid var(--line);
	}
	.hand {
		order: 3;
		padding-bottom: 4rem;
	}
	@media (min-width: 64rem) {
		.read {
			grid-template-columns: minmax(0, 1fr) 30rem;
			grid-template-rows: auto 1fr;
		}
		.instrument {
			grid-column: 2;
			grid-row: 1 / span 2;
		}
		.done {
			position: static;
			padding: 0.75rem 0;
			border: 0;
		}
		.hand {
			padding-bottom: 0;
		}
	}
</style>
