<script lang="ts">
	import { enhance } from '$app/forms';
	import type { FindingsAnswer } from '$lib/contract/findings';
	import { RULES, type RuleId } from '$lib/core/judgement';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { HELP } from '$lib/format/help/help';
	import { findingSentence, RULE_WORDS, STRENGTH_NAMES } from '$lib/format/judgement/rules';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		water: { readonly id: string; readonly name: string };
		findings: FindingsAnswer;
		timeZone: string;
		now: Instant;
		fault: string;
	}
	let { water, findings, timeZone, now, fault }: Props = $props();

	const off = $derived(findings.settings.rulesOff);
	const speaking = $derived(findings.now.map((f) => f.rule));
	const topicOf = (id: string) => HELP.find((t) => t.id === id)?.title ?? '';
	const day = (at: Instant) => shortDay(at, timeZone, now);
	const when = (from: Instant, to: Instant) =>
		day(from) === day(to) ? day(from) : `${day(from)} to ${day(to)}`;
</script>

{#snippet why(id: RuleId)}
	{@const rule = RULES.find((r) => r.id === id)!}
	<p class="small mt-1 max-w-[46rem] text-muted">
		{RULE_WORDS[id].reason} It rests on {STRENGTH_NAMES[rule.strength]}.
		<a class="link" href="/waters/{water.id}/help?q={encodeURIComponent(topicOf(rule.readAbout))}"
			>{topicOf(rule.readAbout)}</a
		>
	</p>
{/snippet}

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">What the rules find in {water.name}</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Some things are only seen when several values are looked at together. Each rule says why it speaks and how
		much weight it has; any of them can be switched off for this water.
	</p>
	{#if fault}<div class="mt-4"><Fault text={fault} /></div>{/if}

	<h2 class="mt-8 text-2xl">Now</h2>
	<ul class="mt-2 border-b">
		{#each findings.now as finding (finding.rule)}
			<li id={finding.rule} class="scroll-mt-4 border-t py-4">
				<h3 class="text-lg">{RULE_WORDS[finding.rule].title}</h3>
				<p class="figures max-w-[46rem]">{findingSentence(finding)}</p>
				{@render why(finding.rule)}
			</li>
		{:else}
			<li class="border-t py-4 text-muted">Nothing at present.</li>
		{/each}
	</ul>

	<h2 class="mt-8 text-2xl">In what was read before</h2>
	<ul class="mt-2 border-b">
		{#each findings.past as { finding, from, to }, i (i)}
			<li class="border-t py-4">
				<p class="small figures text-muted">{when(from, to)}</p>
				<h3 class="text-lg">{RULE_WORDS[finding.rule].title}</h3>
				<p class="figures max-w-[46rem]">{findingSentence(finding)}</p>
				{#if !speaking.includes(finding.rule)}{@render why(finding.rule)}{/if}
			</li>
		{:else}
			<li class="border-t py-4 text-muted">Nothing in what was read so far.</li>
		{/each}
	</ul>

	<h2 class="mt-8 text-2xl">All rules</h2>
	<ul class="mt-2 border-b">
		{#each RULES as rule (rule.id)}
			{@const isOff = off.includes(rule.id)}
			<li class="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t py-2">
				<span class="min-w-0 {isOff ? 'text-muted' : ''}"
					>{RULE_WORDS[rule.id].title}
					<span class="small block text-muted">{isOff ? 'switched off' : STRENGTH_NAMES[rule.strength]}</span
					></span
				>
				<May what="decide">
					<form method="post" use:enhance={sending}>
						<Hidden name="rule" value={rule.id} />
						<Hidden name="on" value={isOff ? 'yes' : 'no'} />
						<Button
							type="submit"
							aria-label="{isOff ? 'Switch on' : 'Switch off'}: {RULE_WORDS[rule.id].title}"
							>{isOff ? 'Switch on' : 'Switch off'}</Button
						>
					</form>
				</May>
			</li>
		{/each}
	</ul>
</main>
