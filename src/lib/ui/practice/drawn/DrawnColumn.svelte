<script lang="ts">
	import type { ScaleExercise } from '$lib/core/practice';
	import { fixed } from '$lib/format/number';

	interface Props {
		exercise: ScaleExercise;
		/** How soft the line is now: focusing makes it sharp. */
		blur: number;
	}
	let { exercise, blur }: Props = $props();

	const WIDTH = 300;
	const HEIGHT = 430;
	const TOP = 24;
	const LONG = HEIGHT - 48;
	/** Only what lies around it is enlarged. */
	const SPAN = 16;
	const middle = $derived(Math.round(exercise.truth / exercise.graduation / 5) * 5 * exercise.graduation);
	const high = $derived(Math.min(exercise.to, middle + (SPAN / 2) * exercise.graduation));
	const low = $derived(high - SPAN * exercise.graduation);
	const y = $derived((value: number) => TOP + ((high - value) / (high - low)) * LONG);
	const digits = $derived(exercise.graduation < 0.01 ? 3 : 0);
	const marks = $derived(
		Array.from({ length: SPAN + 1 }, (_, i) => low + i * exercise.graduation).map((at) => ({
			at,
			long: Math.round(at / exercise.graduation) % 5 === 0
		}))
	);
	const at = $derived(y(exercise.truth));
	const climbs = $derived(y(exercise.truth) - y(exercise.truth + exercise.meniscus));
	/** A float's scale rises where the water is denser: what stands at the surface is read. */
	const isLine = $derived(exercise.kind === 'line');
	const isCuvette = $derived(exercise.kind === 'cuvette');
	/** The water, as it climbs at every glass: all of a cuvette, or left and right of a float. */
	const basin = (left: number, right: number) =>
		`M${left} ${at - climbs} Q${left + 14} ${at} ${left + 34} ${at} L${right - 34} ${at} Q${right - 14} ${at} ${right} ${at - climbs} L${right} ${HEIGHT - 10} L${left} ${HEIGHT - 10} Z`;
	const waters = $derived(isCuvette ? [basin(22, 278)] : [basin(22, 124), basin(176, 278)]);
</script>

<svg
	viewBox="0 0 {WIDTH} {HEIGHT}"
	class="mx-auto h-96 max-w-full"
	role="img"
	aria-label={isLine
		? 'A field of view with a soft line on a scale'
		: isCuvette
			? 'A cuvette whose water stands near its line'
			: 'A float in water, with its scale'}
>
	<defs>
		<linearGradient id="soft-line" x1="0" x2="0" y1="0" y2="1">
			<stop offset="0" stop-color="#c9c9c9" />
			<stop offset={0.5 - 0.03 * blur} stop-color="#c2c2c2" />
			<stop offset={0.5 + 0.03 * blur} stop-color="#ededed" />
			<stop offset="1" stop-color="#f1f1f1" />
		</linearGradient>
	</defs>
	{#if isLine}
		<clipPath id="field"><circle cx="150" cy={HEIGHT / 2} r="200" /></clipPath>
		<g clip-path="url(#field)">
			<rect x="0" y={at - 200} width={WIDTH} height="400" fill="url(#soft-line)" />
			<rect x="0" y="0" width={WIDTH} height={Math.max(0, at - 200)} fill="#c9c9c9" />
			<rect x="0" y={at + 200} width={WIDTH} height={HEIGHT} fill="#f1f1f1" />
		</g>
	{:else}
		<!-- Water climbs at the glass: its flat surface is read, not the rim. -->
		<rect
			x="20"
			y="8"
			width="260"
			height={HEIGHT - 16}
			class="fill-[var(--barrel)] stroke-line-strong"
			stroke-width="2"
		/>
		{#each waters as d (d)}<path
				{d}
				class="fill-[var(--liquid)] stroke-line-strong"
				stroke-width="1.5"
			/>{/each}
		{#if !isCuvette}
			<rect x="124" y="10" width="52" height={HEIGHT - 20} class="fill-surface stroke-line-strong" />
			<line x1="124" x2="176" y1={at} y2={at} class="stroke-line-strong" />
		{/if}
	{/if}
	{#each marks as { at: value, long } (value)}
		<line
			x1={isCuvette ? 150 : 130}
			x2={(isCuvette ? 150 : 130) + (long ? 26 : 14)}
			y1={y(value)}
			y2={y(value)}
			class="stroke-ink"
			stroke-width={isCuvette && value === 100 ? 3 : long ? 1.8 : 1}
		/>
		{#if long}<text
				x={isCuvette ? 184 : 172}
				y={y(value) + 5}
				class="figures text-[14px] font-semibold {isLine ? 'fill-[#222]' : 'fill-ink'}"
				>{fixed(value, digits)}{isCuvette ? ' %' : ''}</text
			>{/if}
	{/each}
</svg>
