<script lang="ts">
	import { blend, hardnessWay, type FreshSalt, type HardnessWay } from '$lib/core/correction';
	import { typedNumber } from '$lib/core/numeric';
	import { fixed, plain } from '$lib/format/number';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import Dangers from './Dangers.svelte';

	interface Props {
		waterId: string;
		given: {
			readonly tapKh: string;
			readonly tapGh: string;
			readonly pureKh: string;
			readonly kh: string;
			readonly gh: string;
			readonly litres: string;
			readonly nowKh: string;
			readonly nowGh: string;
		};
	}
	let { waterId, given }: Props = $props();

	const number = (text: string) => {
		const n = typedNumber(text);
		return n === null || !Number.isFinite(n) || n < 0 ? null : n;
	};
	const v = $derived({
		tapKh: number(given.tapKh),
		tapGh: number(given.tapGh),
		pureKh: number(given.pureKh) ?? 0,
		kh: number(given.kh),
		gh: number(given.gh),
		litres: number(given.litres),
		nowKh: number(given.nowKh),
		nowGh: number(given.nowGh)
	});
	const wrong = $derived(
		Object.entries(given).filter(([, text]) => text.trim() !== '' && number(text) === null).length > 0
	);
	const mixed = $derived(
		v.tapKh === null || v.kh === null || v.litres === null || v.litres === 0 || v.tapKh === v.pureKh
			? null
			: blend(v.tapKh, v.pureKh, v.kh, v.litres)
	);
	const mixedGh = $derived(mixed?.possible && v.tapGh !== null ? mixed.firstShare * v.tapGh : null);
	const way = $derived<HardnessWay | null>(
		v.nowKh === null || v.nowGh === null || v.kh === null || v.gh === null || !v.litres
			? null
			: hardnessWay({ kh: v.nowKh, gh: v.nowGh }, { kh: v.kh, gh: v.gh }, v.litres)
	);
	const SALTS: Readonly<Record<FreshSalt, string>> = {
		'sodium-bicarbonate': 'sodium bicarbonate (KH only)',
		'potassium-bicarbonate': 'potassium bicarbonate (KH only)',
		'calcium-chloride': 'calcium chloride dihydrate (GH only)',
		'magnesium-sulphate': 'magnesium sulphate heptahydrate (GH only)',
		'coral-gravel': 'coral gravel or ocean rock (both, slowly)'
	};
	const grams = (g: number) => `${plain(Number(g.toPrecision(3)))} g`;
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Blend and soften</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Nothing lowers carbonate hardness cleanly but thinner water. Salts raise KH alone, GH alone, or both.
	</p>
	<form method="get" class="mt-5 grid grid-cols-2 gap-5 sm:grid-cols-4">
		<Field name="tapKh" label="Tap KH" unit="dKH" inputmode="decimal" value={given.tapKh} />
		<Field name="tapGh" label="Tap GH" unit="dGH" inputmode="decimal" value={given.tapGh} />
		<Field name="pureKh" label="Purified KH" unit="dKH" inputmode="decimal" value={given.pureKh} />
		<LitresField name="litres" label="Water in all" value={given.litres} />
		<Field name="kh" label="KH wanted" unit="dKH" inputmode="decimal" value={given.kh} />
		<Field name="gh" label="GH wanted" unit="dGH" inputmode="decimal" value={given.gh} />
		<Field name="nowKh" label="KH now" unit="dKH" inputmode="decimal" value={given.nowKh} />
		<Field name="nowGh" label="GH now" unit="dGH" inputmode="decimal" value={given.nowGh} />
		<div class="self-end"><Button kind="primary" type="submit">Reckon it</Button></div>
	</form>
	{#if wrong}
		<p role="alert" class="mt-4 border-l-4 border-warn pl-3">
			<strong class="text-warn">Not yet.</strong> One of these is not a number of 0 or more. Type one such as 12.5.
		</p>
	{/if}

	<section aria-labelledby="new" class="mt-8 border-t pt-4">
		<h2 id="new" class="text-2xl">New water</h2>
		{#if mixed?.possible}
			<p class="figures mt-2 text-xl">
				{litresWords(Number(mixed.firstL!.toFixed(1)))} tap and {litresWords(
					Number(mixed.secondL!.toFixed(1))
				)} purified make {litresWords(v.litres!)} of {plain(v.kh!)} dKH{mixedGh === null
					? ''
					: `, about ${fixed(mixedGh, 1)} dGH`}.
			</p>
		{:else if mixed}
			<p class="mt-2">
				These two waters make no {plain(v.kh!)} dKH: the blend lies between {plain(
					Math.min(v.tapKh!, v.pureKh)
				)} and {plain(Math.max(v.tapKh!, v.pureKh))}. The nearest is {v.kh! > Math.max(v.tapKh!, v.pureKh)
					? 'tap water alone, with salts'
					: 'purified water alone'}.
			</p>
		{:else}
			<p class="mt-2 text-muted">Enter the hardness of both waters, how much is wanted and its hardness.</p>
		{/if}
	</section>

	<section aria-labelledby="salts" class="mt-8 border-t pt-4">
		<h2 id="salts" class="text-2xl">In the water as it is</h2>
		{#if way}
			{#if way.lower.length > 0}
				<p class="mt-2">
					{way.lower.map((h) => h.toUpperCase()).join(' and ')} can only be thinned: exchange {Math.round(
						100 * way.purifiedShare!
					)} % for purified water, over days, a tenth at a time.
				</p>
			{/if}
			<ul class="figures mt-2">
				{#if way.kh}<li>{grams(way.kh.grams)} of {SALTS[way.kh.salt]}</li>{/if}
				{#each way.gh as part (part.salt)}<li>{grams(part.grams)} of {SALTS[part.salt]}</li>{/each}
				{#if way.lower.length === 0 && !way.kh && way.gh.length === 0}<li>Nothing: it is there.</li>{/if}
			</ul>
			{#if way.kh || way.gh.length > 0}
				<p class="small mt-2 max-w-[44rem] text-muted">
					Dissolved first, over days, no more than half a degree of KH or one of GH a day. Where both are low, {SALTS[
						'coral-gravel'
					]} does it by itself.
				</p>
			{/if}
		{:else}
			<p class="mt-2 text-muted">Enter what it holds now, what is wanted, and how much water it is.</p>
		{/if}
	</section>

	<section aria-labelledby="before" class="mt-8 border-t pt-4">
		<h2 id="before" class="text-2xl">Before it nears animals</h2>
		<ul class="mt-2 list-disc pl-5">
			<li>
				Tap water: conditioned against chlorine and chloramine; aeration alone takes chlorine only. Chloramine
				leaves ammonia behind.
			</li>
			<li>Copper from pipes kills invertebrates: let the tap run, and ask the water works.</li>
			<li>Purified water: its meter shows nearly nothing, or its resin or membrane is spent.</li>
			<li>Blended, it stands for some hours with air, at the tank’s temperature; then test KH and pH.</li>
		</ul>
	</section>
	<Dangers dangers={['grade', 'children', 'mains']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
