<script lang="ts">
	import type { ScaleReading } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import { millilitres } from '$lib/format/number';

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
	const id = $props.id();

	const shown = $derived(
		reading === null
			? ''
			: reading.lowerMl === reading.upperMl
				? millilitres(reading.lowerMl)
				: `${millilitres(reading.lowerMl)}–${millilitres(reading.upperMl)}`
	);

	/** One number, or a range of two neighbouring marks in either order: "0.41", "0,41", "0.37-0.38". */
	function enter(event: Event & { currentTarget: HTMLInputElement }): void {
		const field = event.currentTarget;
		const numbers = (field.value.length > 40 ? '?' : field.value)
			.replaceAll(',', '.')
			.split(/\s*(?:–|-|to)\s*/)
			.map((t) => (/^\s*\d*\.?\d+\s*$/.test(t) ? Number(t) : Number.NaN));
		const middle = numbers.reduce((sum, n) => sum + n, 0) / numbers.length;
		if (field.value.trim() === '' || numbers.length > 2 || !Number.isFinite(middle)) {
			onfault({ code: field.value.trim().startsWith('-') ? 'below-zero' : 'not-a-number' });
			field.value = shown;
			return;
		}
		const halves = (2 * middle) / graduationMl;
		if (Math.abs(halves - Math.round(halves)) > 1e-6) {
			onfault({ code: 'finer-than-scale', details: { graduationMl } });
			return;
		}
		onset(middle);
		// A number that was refused gives way to what stands.
		field.value = shown;
	}
</script>

<div>
	<label for={id} class="small {asked ? 'font-semibold' : 'text-muted'}"
		>{label}{asked ? ', as the leaflet asks' : ''}</label
	>
	<div class="flex items-baseline gap-1">
		<input
			{id}
			type="text"
			inputmode="decimal"
			autocomplete="off"
			value={shown}
			placeholder="–.––"
			onchange={enter}
			class="figures w-full min-w-0 border-0 border-b-2 border-line-strong bg-transparent px-0 py-1 font-bold {shown.length >
			5
				? 'text-2xl'
				: 'text-4xl'} {asked ? 'text-ink' : 'text-muted'} placeholder:text-line-strong"
		/>
		<span>mL</span>
	</div>
</div>
