<script lang="ts">
	import type { Spanned } from '$lib/core/practice';

	interface Props {
		/** In steps, the newest last. */
		errors: readonly number[];
		bias: Spanned;
		/** Words at both sides: early and late, or low and high. */
		ends: readonly [string, string];
		/** What they are off from. */
		middle?: string;
	}
	let { errors, bias, ends, middle = 'the change' }: Props = $props();

	const WIDTH = 320;
	const BASE = 86;
	const SHOWN = 40;
	const STEP = 9;
	const shown = $derived(errors.slice(-SHOWN));
	/** Wide enough for nearly all of them, with the change in the middle. */
	const reach = $derived(
		Math.max(2, ...shown.map((e) => Math.min(6, Math.abs(e))), Math.abs(bias.lower), Math.abs(bias.upper)) *
			1.1
	);
	const x = $derived(
		(e: number) => WIDTH / 2 + (Math.max(-reach, Math.min(reach, e)) / reach) * (WIDTH / 2 - 8)
	);
	/** Dots of one place stand on each other. */
	const dots = $derived.by(() => {
		const heights: Record<number, number> = {};
		return shown.map((e, i) => {
			const column = Math.round(x(e) / STEP);
			const level = (heights[column] = (heights[column] ?? 0) + 1);
			return { key: i, cx: column * STEP, cy: BASE - level * STEP, last: i === shown.length - 1 };
		});
	});
</script>

<svg
	viewBox="0 0 {WIDTH} 112"
	class="mt-3 w-full"
	role="img"
	aria-label="{shown.length} answers, {ends[0]} to {ends[1]} of {middle}"
>
	<rect
		x={x(bias.lower)}
		width={Math.max(2, x(bias.upper) - x(bias.lower))}
		y="6"
		height={BASE - 6}
		class="fill-slot"
	/>
	<line x1={WIDTH / 2} x2={WIDTH / 2} y1="6" y2={BASE} class="stroke-line-strong" stroke-dasharray="3 3" />
	{#each dots as { key, cx, cy, last } (key)}
		<circle {cx} {cy} r="4" class={last ? 'fill-accent' : 'fill-ink'} />
	{/each}
	<line x1="0" x2={WIDTH} y1={BASE} y2={BASE} class="stroke-line-strong" stroke-width="1.5" />
	<g class="fill-muted text-[13px]">
		<text x="4" y="106">{ends[0]}</text>
		<text x={WIDTH / 2} y="106" text-anchor="middle">{middle}</text>
		<text x={WIDTH - 4} y="106" text-anchor="end">{ends[1]}</text>
	</g>
</svg>
