<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import type { Subject } from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import ReaderPanel from './ReaderPanel.svelte';

	interface Props {
		practice: PracticeAnswer;
		subject: Subject | null;
		/** Above the title: what is practised, and how far. */
		label: string;
		title: string;
		lead?: string;
		base: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		children: Snippet;
		/** Beside it, before what is known of the reader. */
		beside?: Snippet;
	}
	let {
		practice,
		subject,
		label,
		title,
		lead = '',
		base,
		units,
		timeZone,
		now,
		children,
		beside
	}: Props = $props();
</script>

<main class="page">
	<div class="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
		<div class="min-w-0">
			<p class="label figures">{label}</p>
			<h1 class="mt-1 text-3xl leading-tight text-balance md:text-4xl">{title}</h1>
			{#if lead}<p class="mt-2 max-w-[44rem] text-muted">{lead}</p>{/if}
			{@render children()}
		</div>
		<aside
			class="min-w-0 border-t pt-6 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-8"
			aria-label="What is known of your eye"
		>
			{@render beside?.()}
			<ReaderPanel {practice} {subject} {base} {units} {timeZone} {now} />
		</aside>
	</div>
</main>
