<script lang="ts">
	import { MediaQuery } from 'svelte/reactivity';
	import { inkOf } from './chart/ink';
	import type { RowChart, RowInput, RowView } from './chart/row-chart';
	import { inTurn } from './in-turn';

	interface Props {
		input: RowInput;
		view: RowView;
		words: string;
		tall?: boolean;
	}
	let { input, view, words, tall = false }: Props = $props();

	const dark = new MediaQuery('prefers-color-scheme: dark');
	let chart: RowChart | null = null;

	/** Drawn anew when the data or the theme changes; the library comes only with the first row that is in sight. */
	function draw(now: RowInput, _theme: boolean) {
		return (canvas: HTMLCanvasElement) => {
			let gone = false;
			const seen = new IntersectionObserver(
				(entries) => {
					if (!entries.some((e) => e.isIntersecting)) return;
					seen.disconnect();
					void Promise.all([import('./chart/row-chart'), document.fonts.ready]).then(([{ RowChart: Row }]) =>
						inTurn(() => {
							if (gone) return;
							chart = new Row(canvas, now, view, { ink: inkOf(canvas) });
							canvas.dataset.drawn = 'yes';
						})
					);
				},
				{ rootMargin: '300px' }
			);
			seen.observe(canvas);
			return () => {
				gone = true;
				seen.disconnect();
				chart?.destroy();
				chart = null;
			};
		};
	}
	$effect(() => {
		const { from, to, cursor, pointed, superseded, ticks } = view;
		chart?.look({ from, to, cursor, pointed, superseded, ticks });
	});
</script>

<div role="img" aria-label={words} class="relative min-w-0 {tall ? 'h-72' : 'h-24'}">
	<canvas {@attach draw(input, dark.current)}></canvas>
</div>
