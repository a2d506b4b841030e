<script lang="ts">
	import { page } from '$app/state';
	import { offeredFor, RAISED, type RaisedParameter } from '$lib/core/correction';
	import type { NamedSupplement } from '$lib/core/judgement/plan';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import type { GoalField } from './goal-field';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';

	interface Props {
		goals: readonly GoalField[];
		supplements: readonly NamedSupplement[];
		volumeKnown: boolean;
		/** Something has to be looked at before anything is added, and somebody says that they did. */
		asks: boolean;
		looked: boolean;
		units: Readonly<Record<ParameterId, UnitId>>;
		base: string;
	}
	let { goals, supplements, volumeKnown, asks, looked, units, base }: Props = $props();

	const chosen = $derived(new Set(goals.map((g) => g.parameter)));
	const raising = (parameter: RaisedParameter) =>
		supplements.filter((s) => s.what.kind !== 'table' && offeredFor(s.what).includes(parameter));
	const query = $derived(goals.map((g) => g.parameter).join(','));
	/** What the page came with: what is typed since then stays as it is typed, whatever is answered. */
	const begun: Record<string, string> = {};
	function aimBegun({ parameter, aim }: GoalField): string {
		return (begun[parameter] ??= aim);
	}
	/** One goal more, with what was typed for the others. */
	function besides(parameter: RaisedParameter): string {
		const rest = [...page.url.searchParams].filter(([key]) => key !== 'goals');
		const goals = [query, parameter].filter(Boolean).join(',');
		return `${base}/plan?${new URLSearchParams([...rest, ['goals', goals]])}`;
	}
</script>

<LiveForm class="grid gap-5">
	<Hidden name="goals" value={query} />
	{#each goals as goal (goal.parameter)}
		<fieldset class="grid gap-3 border-t pt-4 first-of-type:border-0 first-of-type:pt-0">
			<legend class="visually-hidden">{PARAMETERS[goal.parameter].name}</legend>
			<div>
				<strong class="block text-lg">{PARAMETERS[goal.parameter].name}</strong>
				<span class="small figures text-muted">{goal.now || 'not read lately'}</span>
			</div>
			<Field
				name="aim.{goal.parameter}"
				label="Up to"
				unit={UNITS[units[goal.parameter]].symbol}
				inputmode="decimal"
				value={aimBegun(goal)}
			/>
			<Choice
				name="with.{goal.parameter}"
				label="With"
				value={goal.supplementId}
				items={raising(goal.parameter).map((s) => ({
					value: s.id,
					name: s.own ? `${s.name} (yours)` : s.name
				}))}
			/>
		</fieldset>
	{/each}
	<div class="grid gap-4 border-t pt-4">
		<Choice
			name="volume"
			label="The net volume is"
			value={volumeKnown ? 'known' : 'guessed'}
			items={[
				{ value: 'guessed', name: 'guessed from the glass' },
				{ value: 'known', name: 'found by filling, or by a dose' }
			]}
		/>
		{#if asks || looked}
			<Checkbox name="looked" value="yes" checked={looked} class="min-h-11"
				>I have looked: pumps run, bottles are not empty, nothing else is added, volume and strength are
				right.</Checkbox
			>
		{/if}
	</div>
</LiveForm>
<p class="small mt-4 flex flex-wrap gap-x-5 border-t pt-3">
	{#each RAISED.filter((p) => !chosen.has(p)) as parameter (parameter)}
		<a class="link min-h-8" href={besides(parameter)}>and {PARAMETERS[parameter].name.toLowerCase()}</a>
	{/each}
	<a class="link min-h-8" href="{base}/supplements">Enter a product of your own</a>
</p>
