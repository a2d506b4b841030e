<script lang="ts">
	import { untrack } from 'svelte';
	import { readBlendWish } from '$lib/contract/correction-wishes';
	import type { BlendReckoned, BlendWish, FreshSalt } from '$lib/core/correction';
	import { fixed, plain } from '$lib/format/number';
	import { litresWords } from '$lib/format/volume';
	import Field from '$lib/ui/kit/Field.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import BlendPicture from './BlendPicture.svelte';
	import Dangers from './Dangers.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';
	import { Reckoned } from './Reckoned.svelte';

	interface Props {
		waterId: string;
		/** Where the tap's values come from, unless they are this water's own. */
		tap: string | null;
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
		/** What is answered to it. */
		answer: BlendReckoned;
	}
	let { waterId, tap, given, answer }: Props = $props();

	const begun = untrack(() => readBlendWish(new URLSearchParams({ ...given })));
	let wrong = $state(begun.wrong.length > 0);
	const reckoned = new Reckoned<'blend', BlendWish>(() => ({ asked: begun.wish, answer }));
	/** What is told, and the wish that it answers. */
	const v = $derived(reckoned.told.asked);
	const { mixed, mixedGh, way } = $derived(reckoned.told.answer);
	function ask(query: URLSearchParams): void {
		const { wish, wrong: unread } = readBlendWish(query);
		wrong = unread.length > 0;
		reckoned.ask({ kind: 'blend', wish }, wish);
	}
	const SALTS: Readonly<Record<FreshSalt, string>> = {
		'sodium-bicarbonate': 'sodium bicarbonate (KH only)',
		'potassium-bicarbonate': 'potassium bicarbonate (KH only)',
		'calcium-chloride': 'calcium chloride dihydrate (GH only)',
		'magnesium-sulphate': 'magnesium sulphate heptahydrate (GH only)',
		'coral-gravel': 'coral gravel or ocean rock (both, slowly)'
	};
	const grams = (g: number) => `${plain(Number(g.toPrecision(3)))} g`;
</script>

<main class="page">
	<h1 class="text-3xl">Blend and soften</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Nothing lowers carbonate hardness cleanly but thinner water. Salts raise KH alone, GH alone, or both.
	</p>
	<div class="mt-5 grid gap-x-10 gap-y-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
		<div>
			<LiveForm onask={ask} class="grid grid-cols-2 gap-x-4 gap-y-5">
				<Field name="tapKh" label="Tap KH" unit="dKH" inputmode="decimal" value={given.tapKh} />
				<Field name="tapGh" label="Tap GH" unit="dGH" inputmode="decimal" value={given.tapGh} />
				<Field name="pureKh" label="Purified KH" unit="dKH" inputmode="decimal" value={given.pureKh} />
				<LitresField name="litres" label="Water in all" value={given.litres} />
				<Field name="kh" label="KH wanted" unit="dKH" inputmode="decimal" value={given.kh} />
				<Field name="gh" label="GH wanted" unit="dGH" inputmode="decimal" value={given.gh} />
				<Field name="nowKh" label="KH now" unit="dKH" inputmode="decimal" value={given.nowKh} />
				<Field name="nowGh" label="GH now" unit="dGH" inputmode="decimal" value={given.nowGh} />
			</LiveForm>
			{#if tap}<p class="small mt-3 text-muted">Tap: {tap}</p>{/if}
			{#if wrong}
				<p role="alert" class="mt-4 border-l-4 border-warn pl-3">
					<strong class="text-warn">Not yet.</strong> One of these is not a number of 0 or more. Type one such as
					12.5.
				</p>
			{/if}
			{#if reckoned.trouble}<div class="mt-4"><Fault text={reckoned.trouble} /></div>{/if}
		</div>
		<div class="min-w-0" aria-live="polite">
			<section aria-labelledby="new">
				<h2 id="new" class="text-2xl">New water</h2>
				{#if mixed?.possible}
					<BlendPicture
						firstL={mixed.firstL!}
						secondL={mixed.secondL!}
						firstKh={v.tapKh!}
						secondKh={v.pureKh}
						kh={v.kh!}
					/>
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
					<p class="mt-2 text-muted">
						Enter the hardness of both waters, how much is wanted and its hardness.
					</p>
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
							Dissolved first, over days, no more than half a degree of KH or one of GH a day. Where both are
							low, {SALTS['coral-gravel']} does it by itself.
						</p>
					{/if}
				{:else}
					<p class="mt-2 text-muted">Enter what it holds now, what is wanted, and how much water it is.</p>
				{/if}
			</section>
		</div>
	</div>
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
