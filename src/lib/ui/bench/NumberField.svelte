<script lang="ts">
	import { typedNumber } from '$lib/core/numeric';
	import type { Fault } from '$lib/core/result';

	interface Props {
		label: string;
		unit: string;
		value: string;
		size?: 'large' | 'small';
		help?: string;
		onset: (value: number) => void;
		onclear?: () => void;
		onfault: (fault: Fault) => void;
	}
	let { label, unit, value, size = 'small', help = '', onset, onclear, onfault }: Props = $props();
	const id = $props.id();

	/** What is refused gives way to what stands. */
	function enter(event: Event & { currentTarget: HTMLInputElement }): void {
		const typed = typedNumber(event.currentTarget.value);
		if (typed === null && onclear) onclear();
		else if (typed === null || Number.isNaN(typed)) onfault({ code: 'not-a-number' });
		else onset(typed);
		event.currentTarget.value = value;
	}
</script>

<p>
	<label for={id} class="small {size === 'large' ? 'font-semibold' : 'text-muted'}">{label}</label>
	<span class="flex items-baseline gap-2">
		<input
			{id}
			type="text"
			inputmode="decimal"
			autocomplete="off"
			{value}
			onchange={enter}
			placeholder="–"
			class="figures min-w-0 border-0 border-b-2 border-line-strong bg-transparent px-0 py-1 font-bold placeholder:text-line-strong {size ===
			'large'
				? 'w-full text-6xl'
				: 'w-28 text-2xl'}"
		/>
		<span class="shrink-0 text-muted">{unit}</span>
	</span>
	{#if help}<span class="small block text-muted">{help}</span>{/if}
</p>
