<script lang="ts">
	import type { ScaleReading } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import { millilitres } from '$lib/format/number';
	import Readout from '$lib/ui/kit/Readout.svelte';

	interface Props {
		label: string;
		/** This is the one that the leaflet asks for. */
		asked: boolean;
		reading: ScaleReading | null;
		graduationMl: number;
		onset: (ml: number) => void;
		onfault: (fault: Fault) => void;
	}
	let { label, asked, reading, graduationMl, onset, onfault }: Props = $props();

	const shown = $derived(
		reading === null
			? ''
			: reading.lowerMl === reading.upperMl
				? millilitres(reading.lowerMl)
				: `${millilitres(reading.lowerMl)}–${millilitres(reading.upperMl)}`
	);

	/** One number, or a range of two neighbouring marks in either order: "0.41", "0,41", "0.37-0.38". */
	function enter(typed: string): void {
		const numbers = (typed.length > 40 ? '?' : typed)
			.replaceAll(',', '.')
			.split(/\s*(?:–|-|to)\s*/)
			.map((t) => (/^\s*\d*\.?\d+\s*$/.test(t) ? Number(t) : Number.NaN));
		const middle = numbers.reduce((sum, n) => sum + n, 0) / numbers.length;
		if (typed.trim() === '' || numbers.length > 2 || !Number.isFinite(middle)) {
			onfault({ code: typed.trim().startsWith('-') ? 'below-zero' : 'not-a-number' });
			return;
		}
		const halves = (2 * middle) / graduationMl;
		if (Math.abs(halves - Math.round(halves)) > 1e-6) {
			onfault({ code: 'finer-than-scale', details: { graduationMl } });
			return;
		}
		onset(middle);
	}
</script>

<Readout
	label="{label}{asked ? ', as the leaflet asks' : ''}"
	unit="mL"
	value={shown}
	placeholder="–.––"
	size={shown.length > 5 ? 'normal' : 'large'}
	strong={asked}
	muted={!asked}
	onenter={enter}
/>
