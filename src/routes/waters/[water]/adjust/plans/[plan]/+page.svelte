<script lang="ts">
	import { planTitle } from '$lib/format/adjust/adjust';
	import PlanView from '$lib/ui/adjust/PlanView.svelte';

	let { data, form } = $props();
</script>

<svelte:head>
	<title>
		{planTitle(
			data.seen.plan.request,
			data.seen.goals.map((g) => g.parameter)
		)} · {data.water.name} · Tevrik
	</title>
</svelte:head>
<PlanView
	waterId={data.water.id}
	seen={data.seen}
	today={data.today}
	bands={data.bands}
	ids={data.ids}
	changeId={data.changeId}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	fault={form?.text ?? ''}
/>
