<script lang="ts">
	import { MediaQuery } from 'svelte/reactivity';
	import type { RowChart, RowInput, RowView } from './chart/row-chart';

	interface Props {
		input: RowInput;
		view: RowView;
		words: string;
		tall?: boolean;
		/** Told when the row is drawn, so that the stack can ask where a place is in time. */
		onchart?: (chart: RowChart | null) => void;
	}
	let { input, view, words, tall = false, onchart }: Props = $props();

	const dark = new MediaQuery('prefers-color-scheme: dark');
	let chart: RowChart | null = null;

	/** Drawn anew when the data or the theme changes; the library comes only with the first row. */
	function draw(now: RowInput, _theme: boolean) {
		return (canvas: HTMLCanvasElement) => {
			let gone = false;
			void Promise.all([import('./chart/row-chart'), document.fonts.ready]).then(([{ RowChart: Row }]) => {
				if (gone) return;
				chart = new Row(canvas, now, view);
				canvas.dataset.drawn = 'yes';
				onchart?.(chart);
			});
			return () => {
				gone = true;
				chart?.destroy();
				chart = null;
				onchart?.(null);
			};
		};
	}
	$effect(() => {
		const { from, to, cursor, superseded, ticks, showDays } = view;
		chart?.look({ from, to, cursor, superseded, ticks, showDays });
	});
</script>

<div role="img" aria-label={words} class="relative min-w-0 {tall ? 'h-72' : view.showDays ? 'h-44' : 'h-36'}">
	<canvas {@attach draw(input, dark.current)}></canvas>
</div>
