<script lang="ts">
	import { typedNumber } from '$lib/core/numeric';
	import type { Fault } from '$lib/core/result';
	import Readout from '$lib/ui/kit/Readout.svelte';

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

	function enter(text: string): void {
		const typed = typedNumber(text);
		if (typed === null && onclear) onclear();
		else if (typed === null || Number.isNaN(typed)) onfault({ code: 'not-a-number' });
		else onset(typed);
	}
</script>

<Readout
	{label}
	{unit}
	{value}
	{help}
	size={size === 'large' ? 'largest' : 'normal'}
	strong={size === 'large'}
	onenter={enter}
/>
