<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import type { TestSet } from '$lib/core/bench';
	import { PARAMETERS } from '$lib/core/quantity';
	import { civilDate, timeOfMinute, type Instant } from '$lib/core/time';
	import { WEEKDAYS } from '$lib/format/bench/set-days';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { sortRows } from '$lib/ui/kit/sort-rows';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { SetDraft, type SetMethod } from './SetDraft.svelte';

	interface Props {
		waterId: string;
		waters: readonly { readonly id: string; readonly name: string }[];
		methods: readonly SetMethod[];
		/** The set that is changed; null for a new one. */
		set: TestSet | null;
		id: string;
		/** Of a new one. */
		setId: string;
		timeZone: string;
		now: Instant;
		refused: { readonly field: string; readonly text: string } | null;
	}
	let { waterId, waters, methods, set, id, setId, timeZone, now, refused }: Props = $props();

	const draft = untrack(() => new SetDraft(set));
	const nameOf = (code: string) => methods.find((m) => m.code === code)?.name ?? code;
	const parameterOf = (code: string) => {
		const parameter = methods.find((m) => m.code === code)?.parameter;
		return parameter ? PARAMETERS[parameter].name : code;
	};
	const OFFERED = $derived([
		{ value: '', name: 'Choose a test …' },
		...[...methods]
			.sort((a, b) => PARAMETERS[a.parameter].name.localeCompare(PARAMETERS[b.parameter].name))
			.map((m) => ({ value: m.code, name: `${PARAMETERS[m.parameter].name}: ${m.name}` }))
	]);
	const TIMES = [1, 2, 3].map((n) => ({ value: String(n), name: n === 1 ? 'once' : `${n} times` }));
	const PORTIONS = [
		{ value: 'full', name: 'full sample' },
		{ value: 'half', name: 'half sample' }
	];
</script>

<form
	method="post"
	use:enhance={sending}
	class="grid gap-5"
	aria-label={set ? `Change ${set.name}` : 'A new set'}
>
	<Hidden name="id" value={id} />
	<Hidden name="setId" value={set?.id ?? setId} />
	{#if refused}<Fault text={refused.text} />{/if}
	<Field name="name" label="Name" value={set?.name ?? ''} maxlength={60} placeholder="Saturday’s tests" />
	<div>
		<p class="font-semibold">Its tests, in your order</p>
		<ol class="mt-2 space-y-2" {@attach sortRows((from, to) => draft.move(from, to))}>
			{#each draft.rows as row, i (row.key)}
				<li class="grid grid-cols-[2.75rem_1fr] border bg-surface" data-drag-row>
					<span
						data-drag-handle
						title="Drag to another place"
						class="figures flex cursor-grab touch-none flex-col items-center justify-center border-r select-none active:cursor-grabbing"
						><span aria-hidden="true" class="leading-none text-muted">≡</span>{i + 1}</span
					>
					<div class="min-w-0 p-3">
						<p>
							<strong>{parameterOf(row.methodCode)}</strong>
							<span class="small block text-muted">{nameOf(row.methodCode)}</span>
						</p>
						<Hidden name="methodCode" value={row.methodCode} />
						<div class="mt-2 flex flex-wrap items-center gap-2">
							{#if waters.length > 1}
								<Choice
									name="waterOf"
									label="Water of test {i + 1}"
									bare
									class="min-w-36 grow"
									value={row.waterId}
									items={waters.map((w) => ({ value: w.id, name: w.name }))}
									onpick={(picked) => draft.change(row.key, { waterId: picked })}
								/>
							{:else}<Hidden name="waterOf" value={row.waterId} />{/if}
							{#if methods.find((m) => m.code === row.methodCode)?.hasHalf}
								<Choice
									name="portion"
									label="Sample of test {i + 1}"
									bare
									class="min-w-32 grow"
									value={row.portion}
									items={PORTIONS}
									onpick={(picked) => draft.change(row.key, { portion: picked === 'half' ? 'half' : 'full' })}
								/>
							{:else}<Hidden name="portion" value="full" />{/if}
							<Choice
								name="times"
								label="How often test {i + 1} is made"
								bare
								class="min-w-28 grow"
								value={String(row.times)}
								items={TIMES}
								onpick={(picked) => draft.change(row.key, { times: Number(picked) })}
							/>
							<span class="ml-auto flex">
								<Button
									kind="bare"
									class="min-h-11 min-w-11"
									aria-label="Test {i + 1} up"
									onclick={() => draft.move(i, i - 1)}>↑</Button
								>
								<Button
									kind="bare"
									class="min-h-11 min-w-11"
									aria-label="Test {i + 1} down"
									onclick={() => draft.move(i, i + 1)}>↓</Button
								>
								<Button
									kind="bare"
									class="min-h-11 min-w-11"
									aria-label="Leave test {i + 1} out"
									onclick={() => draft.remove(row.key)}>×</Button
								>
							</span>
						</div>
					</div>
				</li>
			{/each}
		</ol>
		{#key draft.rows}
			<Choice
				label={draft.rows.length === 0 ? 'Its first test' : 'One test more'}
				class="mt-3"
				value=""
				items={OFFERED}
				onpick={(code) => code && draft.add(waterId, code)}
			/>
		{/key}
		<Checkbox name="inOrder" checked={set?.inOrder ?? false}>Keep to this order at the bench</Checkbox>
	</div>
	<fieldset>
		<legend class="font-semibold">On which days</legend>
		<div class="mt-1 flex flex-wrap gap-x-5">
			{#each WEEKDAYS as day, i (day)}
				<Checkbox name="weekday" value={String(i + 1)} checked={set?.weekdays.includes(i + 1) ?? false}
					>{day}</Checkbox
				>
			{/each}
		</div>
	</fieldset>
	<DateField
		name="atMinute"
		of="time"
		label="At, if there is an hour for it"
		class="max-w-60"
		value={set?.atMinute == null ? '' : timeOfMinute(set.atMinute)}
		today={civilDate(now, timeZone)}
	/>
	<div class="flex flex-wrap gap-3">
		<Button kind="primary" size="large" type="submit" disabled={draft.rows.length === 0}
			>{set ? 'Save it' : 'Keep this set'}</Button
		>
		{#if set}
			<Button type="submit" name="over" value="yes" kind="quiet" size="large">Give it up</Button>
			<Button href="/waters/{waterId}/sets" kind="quiet" size="large">Leave it</Button>
		{/if}
	</div>
</form>
