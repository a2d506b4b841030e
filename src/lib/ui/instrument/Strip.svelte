<script lang="ts">
	import { linearScale, stripSpan } from './scale';

	interface Props {
		/** All in one unit. */
		band: { readonly low: number | null; readonly high: number | null } | null;
		value: number;
		lower: number;
		upper: number;
		/** The last reading alone. */
		reading: number | null;
		/** Where the value will be in seven days. */
		tail: number;
		warn: boolean;
		lowText: string;
		highText: string;
		/** The whole row in words. */
		words: string;
		/** Lower, for a row of a list. */
		low?: boolean;
	}
	let {
		band,
		value,
		lower,
		upper,
		reading,
		tail,
		warn,
		lowText,
		highText,
		words,
		low = false
	}: Props = $props();

	const NARROW_PERCENT = 24;
	/** A strip that is lower loses what stands above its axis. */
	const up = $derived(low ? 9 : 0);
	const scale = $derived(
		linearScale(...stripSpan(band, [lower, upper, tail, ...(reading === null ? [] : [reading])]))
	);
	const x = (v: number) => `${scale.percent(v).toFixed(2)}%`;
	const bandLeft = $derived(band?.low == null ? 0 : scale.percent(band.low));
	const bandRight = $derived(band?.high == null ? 100 : scale.percent(band.high));
	/** Numbers under the ends of a narrow band stand outwards, so that they never touch. */
	const isNarrow = $derived(bandRight - bandLeft < NARROW_PERCENT);
	const lensWidth = $derived(Math.max(1.5, scale.percent(upper) - scale.percent(lower)));
</script>

<svg class="strip" class:warn width="100%" height={low ? 46 : 58} role="img" aria-label={words}>
	<line class="axis" x1="0" x2="100%" y1={27 - up} y2={27 - up} />
	{#if band}
		<rect class="slot" x="{bandLeft}%" width="{bandRight - bandLeft}%" y={18 - up} height="18" />
		{#if band.low !== null}
			<line class="edge" x1="{bandLeft}%" x2="{bandLeft}%" y1={14 - up} y2={40 - up} />
			<text class="figures" class:left={isNarrow} x="{bandLeft}%" y={low ? 43 : 54}>{lowText}</text>
		{/if}
		{#if band.high !== null}
			<line class="edge" x1="{bandRight}%" x2="{bandRight}%" y1={14 - up} y2={40 - up} />
			<text class="figures" class:right={isNarrow} x="{bandRight}%" y={low ? 43 : 54}>{highText}</text>
		{/if}
	{/if}
	<svg
		x="{scale.percent(value) - lensWidth / 2}%"
		width="{lensWidth}%"
		y={16 - up}
		height="22"
		viewBox="0 0 100 22"
		preserveAspectRatio="none"
	>
		<path class="lens" d="M0 11 Q50 -9 100 11 Q50 31 0 11Z" vector-effect="non-scaling-stroke" />
	</svg>
	<line class="tail" x1={x(value)} x2={x(tail)} y1={27 - up} y2={27 - up} />
	<circle class="tail-end" cx={x(tail)} cy={27 - up} r="3.5" />
	{#if reading !== null}
		<line class="reading" x1={x(reading)} x2={x(reading)} y1={low ? 0 : 5} y2={20 - up} />
	{/if}
</svg>

<style>
	.strip {
		display: block;
		overflow: visible;
	}
	.axis {
		stroke: var(--line);
		stroke-width: 2;
	}
	.slot {
		fill: var(--slot);
	}
	.edge {
		stroke: var(--line-strong);
		stroke-width: 1.25;
	}
	text {
		fill: var(--muted);
		font-size: 14px;
		text-anchor: middle;
	}
	.left {
		text-anchor: end;
	}
	.right {
		text-anchor: start;
	}
	.lens {
		fill: var(--lens);
		fill-opacity: 0.75;
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.reading {
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	.tail {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.tail-end {
		fill: var(--ink);
	}
	.warn .lens {
		stroke: var(--warn);
	}
	.warn .tail,
	.warn .reading {
		stroke: var(--warn);
	}
	.warn .tail-end {
		fill: var(--warn);
	}
</style>
