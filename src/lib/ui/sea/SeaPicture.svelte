<script lang="ts">
	interface Props {
		low: number;
		high: number;
		/** The sample and the ends of its interval. */
		value: number;
		lower: number;
		upper: number;
		/** What the whole row of pictures spans. */
		from: number;
		to: number;
		words: string;
	}
	let { low, high, value, lower, upper, from, to, words }: Props = $props();

	const WIDTH = 240;
	const HEIGHT = 22;
	const x = (v: number) => 4 + ((v - from) / (to - from)) * (WIDTH - 8);
	const apart = $derived(upper < low || lower > high);
</script>

<svg
	viewBox="0 0 {WIDTH} {HEIGHT}"
	role="img"
	aria-label={words}
	class="block h-5.5 w-full max-w-md"
	preserveAspectRatio="none"
>
	<line x1="0" x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} stroke="var(--line)" />
	<rect
		x={x(low)}
		width={Math.max(2, x(high) - x(low))}
		y="3"
		height={HEIGHT - 6}
		fill="var(--slot)"
		stroke="var(--line-strong)"
	/>
	<line
		x1={x(lower)}
		x2={x(upper)}
		y1={HEIGHT / 2}
		y2={HEIGHT / 2}
		stroke={apart ? 'var(--warn)' : 'var(--ink)'}
		stroke-width="5"
	/>
	<line
		x1={x(value)}
		x2={x(value)}
		y1="2"
		y2={HEIGHT - 2}
		stroke={apart ? 'var(--warn)' : 'var(--ink)'}
		stroke-width="2"
	/>
</svg>
