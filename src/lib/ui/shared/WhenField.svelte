<script lang="ts">
	import { civilDate, type Instant } from '$lib/core/time';
	import { localField } from '$lib/format/date';
	import DateField from '$lib/ui/kit/DateField.svelte';

	interface Props {
		name: string;
		label: string;
		/** What was sent and refused; without it, now. */
		entered: string | undefined;
		/** Of the water's place. */
		timeZone: string;
		now: Instant;
		help?: string;
		fault?: string | undefined;
	}
	let {
		name,
		label,
		entered,
		timeZone,
		now,
		help = 'In the time of the water’s place.',
		fault
	}: Props = $props();
</script>

<DateField
	{name}
	{label}
	of="moment"
	today={civilDate(now, timeZone)}
	value={entered ?? localField(now, timeZone)}
	{help}
	{fault}
/>
