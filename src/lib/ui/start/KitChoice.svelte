<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { SHIPPED_METHODS, type Method } from '$lib/core/method';
	import { PROFILES, STAGES, isFresh, type ProfileId } from '$lib/core/judgement';
	import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
	import { LIKE_THIS } from '$lib/format/methods/method';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import KitPicture from './KitPicture.svelte';

	interface Props {
		id: string;
		water: { readonly id: string; readonly name: string; readonly profile: ProfileId | null };
		/** Codes of the shipped kits that are taken. */
		chosen: readonly string[];
		/** Entered from their leaflets. */
		own: readonly { readonly code: string; readonly name: string; readonly parameter: ParameterId }[];
		/** The third of the first three screens. */
		begins: boolean;
		refused: { field: string; text: string } | null;
	}
	let { id, water, chosen, own, begins, refused }: Props = $props();

	const taken = untrack(() => new Set(chosen));
	let codes = $state<Record<string, boolean>>(
		Object.fromEntries(SHIPPED_METHODS.map((m) => [m.code, taken.has(m.code)]))
	);
	const count = $derived(Object.values(codes).filter(Boolean).length + own.length);

	/** What is tested first in such a water, then what its bands judge; the rest is out of the way. */
	const first = $derived.by((): readonly ParameterId[] => {
		if (!water.profile) return ['alkalinity', 'calcium', 'nitrate', 'phosphate', 'salinity'];
		const stage = water.profile === 'cycling' ? 'cycling' : isFresh(water.profile) ? water.profile : 'young';
		const tests = STAGES[stage as keyof typeof STAGES].tests;
		const judged = Object.keys(PROFILES[water.profile].bands) as ParameterId[];
		return [...new Set([...tests, ...judged.filter((p) => p === 'magnesium')])];
	});
	const rest = $derived(PARAMETER_IDS.filter((p) => !first.includes(p)));
	const kitsFor = (parameter: ParameterId): readonly Method[] =>
		SHIPPED_METHODS.filter((m) => m.parameter === parameter && m.kind !== 'stated');
</script>

{#snippet rows(parameters: readonly ParameterId[])}
	{#each parameters as parameter (parameter)}
		<fieldset class="grid gap-x-6 gap-y-2 border-t py-4 sm:grid-cols-[9rem_1fr]">
			<legend class="visually-hidden">{PARAMETERS[parameter].name}</legend>
			<div class="pt-2">
				<p class="font-semibold" aria-hidden="true">{PARAMETERS[parameter].name}</p>
				{#each own.filter((o) => o.parameter === parameter) as kit (kit.code)}
					<p class="small text-muted">{kit.name}, entered</p>
				{/each}
				<a
					class="link small inline-flex min-h-8 items-center"
					href="/waters/{water.id}/methods/new?parameter={parameter}"
					>From its leaflet<span class="visually-hidden">: {PARAMETERS[parameter].name}</span></a
				>
			</div>
			<div class="flex flex-wrap gap-2">
				{#each kitsFor(parameter) as method (method.code)}
					<Checkbox
						name="codes"
						value={method.code}
						bind:checked={codes[method.code]}
						class="min-h-16 items-center! [&_input]:mt-0! rounded-md border bg-surface py-1 pr-4 pl-3 {codes[
							method.code
						]
							? 'border-ink outline-1 outline-ink'
							: 'border-line-strong hover:bg-paper'}"
					>
						<span class="flex items-center gap-2">
							<KitPicture kind={method.kind} />
							<span class={codes[method.code] ? 'font-semibold' : ''}
								>{LIKE_THIS[method.kind]}{kitsFor(parameter).filter((m) => m.kind === method.kind).length > 1
									? `, ${method.name.toLowerCase()}`
									: ''}</span
							>
						</span>
					</Checkbox>
				{/each}
			</div>
		</fieldset>
	{/each}
{/snippet}

<main class="page max-w-[72rem]!">
	{#if begins}<p class="small figures text-muted">3 of 3</p>{/if}
	<h1 class="text-3xl {begins ? 'mt-1' : ''}">What do you test with?</h1>
	<p class="mt-2 max-w-[46rem] text-muted">
		Tick what looks like yours. Until you enter the leaflet in your box, it runs by a common one.
	</p>
	<form method="post" use:enhance={sending} class="mt-6">
		<Hidden name="id" value={id} />
		<Hidden name="then" value={begins ? 'bench' : 'methods'} />
		{#if refused}<Fault text={refused.text} above />{/if}
		{@render rows(first)}
		<Disclosure title="What else can be tested" class="border-y" look="flex min-h-12 items-center gap-2">
			{@render rows(rest)}
		</Disclosure>
		<div class="sticky bottom-0 -mx-4 mt-0 flex flex-wrap items-center gap-4 border-t bg-surface px-4 py-4">
			<Button type="submit" kind="primary" size="large">{begins ? 'To the bench' : 'Keep these'}</Button>
			<span class="small text-muted" aria-live="polite">{count === 0 ? 'Nothing ticked yet.' : ''}</span>
		</div>
	</form>
</main>
