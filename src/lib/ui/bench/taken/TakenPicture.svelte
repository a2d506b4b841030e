<script lang="ts">
	import { titrationsOf, type Method } from '$lib/core/method';
	import type { RawReading } from '$lib/core/reading';

	interface Props {
		method: Method;
		/** Null until it is read. */
		reading: RawReading | null;
	}
	let { method, reading }: Props = $props();

	const WIDTH = 150;
	const meter = $derived(titrationsOf(method)[0]?.meter ?? null);
	/** How far the instrument stands along itself, 0 to 1; null where nothing was read. */
	const share = $derived.by((): number | null => {
		if (!reading) return null;
		switch (reading.form) {
			case 'syringe':
			case 'pair': {
				const marks = reading.form === 'pair' ? reading.first : reading;
				const end = marks.fills.at(-1)!;
				const at = (end.end.lowerMl + end.end.upperMl) / 2;
				const left = marks.readAs === 'left' ? at : end.startMl - at;
				return meter?.kind === 'syringe' ? left / meter.capacityMl : null;
			}
			case 'line': {
				const scale =
					method.kind === 'thermometer'
						? { from: method.rangeC.low, to: method.rangeC.high }
						: 'scale' in method
							? method.scale
							: null;
				return scale && ((reading.lower + reading.upper) / 2 - scale.from) / (scale.to - scale.from);
			}
			default:
				return null;
		}
	});
	const rungs = $derived('colourSteps' in method ? method.colourSteps.length : 0);
	const rung = $derived.by(() => {
		if (reading?.form !== 'step') return null;
		const { at } = reading;
		if (at.kind === 'below') return -0.6;
		if (at.kind === 'above') return rungs - 0.4;
		if (!('index' in at)) return null;
		return at.index + { on: 0, nearer_lower: 0.25, between: 0.5, nearer_upper: 0.75 }[at.kind];
	});
	const rungX = (i: number) => 12 + (i / Math.max(1, rungs - 1)) * (WIDTH - 24);
	const drops = $derived(reading?.form === 'drops' ? reading.least : 0);
</script>

<!-- What was typed, as it looks: a slip of a digit is seen at once. The number stands beside it. -->
<svg width={WIDTH} height="30" aria-hidden="true">
	{#if meter?.kind === 'syringe'}
		<rect x="2" y="7" width={WIDTH - 26} height="16" class="barrel" />
		{#each { length: 11 } as _, i (i)}
			<line
				x1={2 + (i / 10) * (WIDTH - 26)}
				x2={2 + (i / 10) * (WIDTH - 26)}
				y1="7"
				y2={i % 5 === 0 ? 14 : 11}
				class="line"
			/>
		{/each}
		<path d="M{WIDTH - 24} 12h8v6h-8z" class="barrel" />
		{#if share !== null}
			{@const x = 2 + (1 - share) * (WIDTH - 26)}
			<rect {x} y="8" width={WIDTH - 24 - x} height="14" class="liquid" />
			<rect x={x - 4} y="7" width="4" height="16" class="mark" />
		{/if}
	{:else if meter}
		{#each { length: Math.min(30, drops) } as _, i (i)}
			<circle cx={8 + (i % 15) * 9.5} cy={i < 15 ? 9 : 21} r="3" class="mark" />
		{/each}
		{#if drops > 30}<text x={WIDTH} y="26" text-anchor="end">…</text>{/if}
	{:else if rungs > 0 && 'colourSteps' in method}
		{#each method.colourSteps as step, i (i)}
			<rect x={rungX(i) - 6} y="4" width="12" height="14" fill={step.colour.css} class="swatch" />
		{/each}
		{#if rung !== null}<path d="M{rungX(rung)} 20l5 9h-10z" class="mark" />{/if}
	{:else if share !== null}
		<line x1="4" x2={WIDTH - 4} y1="18" y2="18" class="line" />
		<line x1={4 + share * (WIDTH - 8)} x2={4 + share * (WIDTH - 8)} y1="6" y2="26" class="needle" />
	{:else}
		<line x1="4" x2={WIDTH - 4} y1="18" y2="18" class="line" />
	{/if}
</svg>

<style>
	svg {
		display: block;
	}
	.barrel {
		fill: var(--barrel);
		stroke: var(--line-strong);
	}
	.liquid {
		fill: var(--liquid);
	}
	.line {
		stroke: var(--line-strong);
	}
	.mark {
		fill: var(--ink);
	}
	.needle {
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	.swatch {
		stroke: var(--line-strong);
		stroke-width: 0.75;
	}
	text {
		fill: var(--muted);
	}
</style>
