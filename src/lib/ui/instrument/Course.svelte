<script lang="ts">
	import { linearScale, stripSpan } from './scale';

	interface Props {
		/** In even steps up to now, in one unit; null where nothing is known. */
		values: readonly (number | null)[];
		band: { readonly low: number | null; readonly high: number | null } | null;
		warn: boolean;
	}
	let { values, band, warn }: Props = $props();

	const WIDTH = 64;
	const HEIGHT = 32;
	const known = $derived(values.filter((v): v is number => v !== null));
	const scale = $derived(linearScale(...stripSpan(band, known)));
	const y = (value: number) => HEIGHT - (scale.percent(value) / 100) * HEIGHT;
	const top = $derived(band?.high == null ? 0 : y(band.high));
	const bottom = $derived(band?.low == null ? HEIGHT : y(band.low));
	const line = $derived(
		values
			.map((v, i) =>
				v === null ? '' : `${((i / (values.length - 1)) * WIDTH).toFixed(1)},${y(v).toFixed(1)}`
			)
			.filter(Boolean)
			.join(' ')
	);
</script>

<!-- Said in words beside it: what it does, and where it stands. -->
<svg class:warn width={WIDTH} height={HEIGHT} aria-hidden="true">
	{#if band}<rect x="0" width={WIDTH} y={top} height={Math.max(0, bottom - top)} />{/if}
	{#if known.length > 1}<polyline points={line} />{/if}
</svg>

<style>
	svg {
		display: block;
		overflow: visible;
	}
	rect {
		fill: var(--slot);
	}
	polyline {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.75;
		stroke-linejoin: round;
	}
	.warn polyline {
		stroke: var(--warn);
	}
</style>
