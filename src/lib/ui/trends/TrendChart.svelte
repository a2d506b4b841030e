<script lang="ts">
	import { MediaQuery } from 'svelte/reactivity';
	import type { ChartInput } from './chart';

	let { input, words }: { input: ChartInput; words: string } = $props();

	const dark = new MediaQuery('prefers-color-scheme: dark');

	/** Drawn anew when the data or the theme changes; the library comes only with the first chart. */
	function draw(now: ChartInput, _theme: boolean) {
		return (canvas: HTMLCanvasElement) => {
			let remove: (() => void) | null = null;
			let gone = false;
			void Promise.all([import('./chart'), document.fonts.ready]).then(([{ drawTrend }]) => {
				if (!gone) remove = drawTrend(canvas, now);
			});
			return () => {
				gone = true;
				remove?.();
			};
		};
	}
</script>

<div role="img" aria-label={words} class="relative min-w-0 {input.showDays ? 'h-44' : 'h-36'}">
	<canvas {@attach draw(input, dark.current)}></canvas>
</div>
