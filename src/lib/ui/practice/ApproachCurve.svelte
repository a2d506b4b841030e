<script lang="ts">
	import { restingShare, type SimulatedVial } from '$lib/core/practice';

	interface Props {
		vial: SimulatedVial;
		changeMl: number;
		/** With every drop it is drawn anew. */
		drops: number;
		atMl: () => number;
		wide?: boolean;
	}
	let { vial, changeMl, drops, atMl, wide = false }: Props = $props();

	const WIDTH = $derived(wide ? 560 : 240);
	const HEIGHT = 96;
	/** From so many drops before the change to so many behind it. */
	const BEFORE = 12;
	const AFTER = 5;
	const x = $derived((ml: number) => {
		const off = (ml - changeMl) / vial.dropMl;
		return ((Math.max(-BEFORE, Math.min(AFTER, off)) + BEFORE) / (BEFORE + AFTER)) * WIDTH;
	});
	const y = (share: number) => 8 + (1 - share) * (HEIGHT - 30);
	const path = $derived(
		Array.from({ length: 86 }, (_, i) => {
			const ml = Math.max(0, changeMl + (-BEFORE + (i / 85) * (BEFORE + AFTER)) * vial.dropMl);
			return `${i === 0 ? 'M' : 'L'}${x(ml).toFixed(1)} ${y(restingShare(vial, ml)).toFixed(1)}`;
		}).join('')
	);
	const now = $derived.by(() => {
		void drops;
		return x(atMl());
	});
</script>

<svg
	viewBox="0 0 {WIDTH} {HEIGHT}"
	class="mt-3 w-full {wide ? 'max-w-[36rem]' : ''}"
	role="img"
	aria-label="How far the dye has turned, drop by drop, with the change and where you are"
>
	<line x1="0" x2={WIDTH} y1={y(0)} y2={y(0)} class="stroke-line" />
	<path d={path} class="fill-none stroke-ink" stroke-width="2" />
	<line
		x1={x(changeMl)}
		x2={x(changeMl)}
		y1="4"
		y2={y(0)}
		class="stroke-line-strong"
		stroke-dasharray="3 3"
	/>
	<line x1={now} x2={now} y1="4" y2={y(0)} class="stroke-accent" stroke-width="2.5" />
	<g class="fill-muted text-[12px]">
		<text x={x(changeMl)} y={HEIGHT - 4} text-anchor="middle">the change</text>
		<text x="0" y={HEIGHT - 4}>drops</text>
	</g>
</svg>
