<script lang="ts">
	import type { PairedComparison } from '$lib/contract/comparison';
	import { convert, convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { plain } from '$lib/format/number';
	import { biasChart } from './bias-chart';

	interface Props {
		parameter: ParameterId;
		paired: PairedComparison;
		names: { readonly first: string; readonly second: string };
		unit: UnitId;
	}
	let { parameter, paired, names, unit }: Props = $props();

	/** As wide as its place, so that its words keep their size on a phone. */
	let width = $state(720);
	const HEIGHT = 330;
	const LEFT = 56;
	const BOTTOM = 44;
	const canonical = $derived(PARAMETERS[parameter].canonicalUnit);
	const to = (x: number) => convert(x, canonical, unit);
	const span = (x: number) => convertSpan(x, canonical, unit);
	const limits = $derived(
		paired.limits && {
			...paired.limits,
			bias: span(paired.limits.bias),
			biasLow: span(paired.limits.biasLow),
			biasHigh: span(paired.limits.biasHigh),
			low: {
				value: span(paired.limits.low.value),
				from: span(paired.limits.low.from),
				to: span(paired.limits.low.to)
			},
			high: {
				value: span(paired.limits.high.value),
				from: span(paired.limits.high.from),
				to: span(paired.limits.high.to)
			}
		}
	);
	const drawn = $derived(
		biasChart(
			paired.pairs.map((p) => ({ first: to(p.first.value), second: to(p.second.value) })),
			limits,
			{ width, height: HEIGHT, left: LEFT, bottom: BOTTOM }
		)
	);
	const symbol = $derived(unit === 'ph' ? '' : UNITS[unit].symbol);
	const words = $derived(
		`${paired.pairs.length} pairs; difference of ${names.first} less ${names.second} against their mean${limits ? `, bias ${plain(Number(limits.bias.toPrecision(2)))}, limits of agreement ${plain(Number(limits.low.value.toPrecision(2)))} to ${plain(Number(limits.high.value.toPrecision(2)))} ${symbol}` : ''}.`
	);
</script>

<figure bind:clientWidth={width}>
	<figcaption class="small text-muted">
		{names.first} less {names.second}, against the mean of both{symbol ? `, ${symbol}` : ''}
	</figcaption>
	<svg viewBox="0 0 {width} {HEIGHT}" class="mt-2 w-full" role="img" aria-label={words}>
		{#if limits}
			<rect
				x={LEFT}
				width={width - LEFT}
				y={drawn.yOf(limits.high.value)}
				height={Math.max(0, drawn.yOf(limits.low.value) - drawn.yOf(limits.high.value))}
				fill="var(--slot)"
			/>
			<rect
				x={LEFT}
				width={width - LEFT}
				y={drawn.yOf(limits.biasHigh)}
				height={Math.max(1, drawn.yOf(limits.biasLow) - drawn.yOf(limits.biasHigh))}
				fill="var(--lens)"
			/>
		{/if}
		{#each drawn.yTicks as tick (tick.value)}
			<text x={LEFT - 8} y={tick.at + 4} class="tick end">{plain(tick.value)}</text>
			<line x1={LEFT - 4} x2={LEFT} y1={tick.at} y2={tick.at} stroke="var(--line-strong)" />
		{/each}
		{#each drawn.xTicks as tick (tick.value)}
			<text x={tick.at} y={HEIGHT - BOTTOM + 20} class="tick middle">{plain(tick.value)}</text>
			<line
				x1={tick.at}
				x2={tick.at}
				y1={HEIGHT - BOTTOM}
				y2={HEIGHT - BOTTOM + 5}
				stroke="var(--line-strong)"
			/>
		{/each}
		<line
			x1={LEFT}
			x2={width}
			y1={drawn.yOf(0)}
			y2={drawn.yOf(0)}
			stroke="var(--ink)"
			stroke-dasharray="2 4"
		/>
		<text x={width - 4} y={drawn.yOf(0) - 6} class="tick end">no difference</text>
		{#if limits}
			<line
				x1={LEFT}
				x2={width}
				y1={drawn.yOf(limits.bias)}
				y2={drawn.yOf(limits.bias)}
				stroke="var(--ink)"
				stroke-width="2"
			/>
		{/if}
		<line x1={LEFT} x2={LEFT} y1="0" y2={HEIGHT - BOTTOM} stroke="var(--line-strong)" />
		<line x1={LEFT} x2={width} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM} stroke="var(--line-strong)" />
		{#each drawn.points as point, i (i)}
			<circle cx={point.x} cy={point.y} r="5" fill="var(--ink)" />
		{/each}
		<text x={(LEFT + width) / 2} y={HEIGHT - 4} class="tick middle"
			>mean of both{symbol ? `, ${symbol}` : ''}</text
		>
	</svg>
	{#if limits}
		<p class="small text-muted">
			Line: the mean difference, with its 95 % interval. Grey: where 95 % of the differences lie (limits of
			agreement). Dashed: no difference.
		</p>
	{/if}
</figure>

<style>
	.tick {
		font-size: 14px;
		fill: var(--muted);
	}
	.end {
		text-anchor: end;
	}
	.middle {
		text-anchor: middle;
	}
</style>
