<script lang="ts">
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

	/** A number as a person types it, with a point or a comma; what is refused gives way to what stands. */
	function enter(event: Event & { currentTarget: HTMLInputElement }): void {
		const typed = event.currentTarget.value;
		const text = (typed.length > 40 ? '?' : typed).trim().replace(',', '.').replace('−', '-');
		if (text === '' && onclear) onclear();
		else if (/^-?(\d+\.?\d*|\.\d+)$/.test(text)) onset(Number(text));
		else onfault({ code: 'not-a-number' });
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
