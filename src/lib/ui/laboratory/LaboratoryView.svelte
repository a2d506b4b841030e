<script lang="ts">
	import { enhance } from '$app/forms';
	import { idMaker } from '$lib/client/ids';
	import { type SentSample } from '$lib/contract/laboratory';
	import { LABORATORY_PARAMETERS } from '$lib/contract/choices';
	import { LONGEST } from '$lib/contract/lengths';
	import { nameWithin, PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';
	import ImportReport from './ImportReport.svelte';

	interface Props {
		water: { readonly id: string };
		id: string;
		sent: readonly SentSample[];
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { water, id, sent, timeZone, now, refused }: Props = $props();

	const newId = idMaker({ now: () => now });
	const USUAL: readonly string[] = ['alkalinity', 'calcium', 'magnesium', 'potassium'];
	const waiting = $derived(sent.filter((s) => s.answeredAt === null));
	const answered = $derived(sent.filter((s) => s.answeredAt !== null));
	const fault = (field: string) => (refused?.field === field ? refused.text : undefined);
	const general = $derived(refused && refused.field !== 'drawnAt' ? refused.text : null);
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Laboratory</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		A laboratory’s values stand beside your own as the reference they are, each with the uncertainty that is
		stated for it; <a class="link" href="/waters/{water.id}/compare">comparing</a> uses them as the referee.
	</p>

	<div class="mt-8 grid gap-x-12 gap-y-10 lg:grid-cols-2">
		<section aria-labelledby="send">
			<h2 id="send" class="text-2xl">Send a sample</h2>
			<p class="small mt-1 text-muted">
				To the simulated laboratory that comes with Tevrik: it answers after three to six days with what this
				water is estimated to hold, and with an error of its own. It is no analysis: use it to learn how a
				referee is used.
			</p>
			<form method="post" use:enhance={sending} class="mt-4 space-y-4">
				<Hidden name="id" value={refused?.entered.id ?? id} />
				{#if general}<Fault text={general} />{/if}
				<fieldset>
					<legend class="font-semibold">To be tested for</legend>
					<div class="mt-1 grid grid-cols-2 gap-x-4">
						{#each LABORATORY_PARAMETERS as parameter (parameter)}
							<Checkbox
								name="parameter"
								value={parameter}
								checked={USUAL.includes(parameter)}
								class="min-h-10 items-center">{PARAMETERS[parameter].name}</Checkbox
							>
						{/each}
					</div>
				</fieldset>
				<WhenField
					name="drawnAt"
					label="Drawn"
					entered={refused?.entered.drawnAt}
					{timeZone}
					{now}
					help="Fill the bottle to the brim, send it cool and at once."
					fault={fault('drawnAt')}
				/>
				<Field name="note" label="Note" maxlength={LONGEST.note} value={refused?.entered.note ?? ''} />
				<Button kind="primary" type="submit" size="large">Send it</Button>
			</form>
			{#if waiting.length > 0}
				<h3 class="label mt-8">Under way</h3>
				<ul class="mt-1 border-b">
					{#each waiting as sample (sample.id)}
						<li class="border-t py-2">
							Drawn {shortDay(sample.drawnAt, timeZone, now)}: {sample.parameters.map(nameWithin).join(', ')}
							<span class="small block text-muted"
								>The answer is expected on {shortDay(sample.expectedAt, timeZone, now)}.</span
							>
						</li>
					{/each}
				</ul>
			{/if}
			{#if answered.length > 0}
				<h3 class="label mt-8">Answered</h3>
				<ul class="mt-1 border-b">
					{#each answered as sample (sample.id)}
						<li class="border-t py-2">
							Drawn {shortDay(sample.drawnAt, timeZone, now)}: {sample.parameters.map(nameWithin).join(', ')}
							<span class="small block text-muted"
								>Its values stand in the <a class="link" href="/waters/{water.id}/log">Log</a>, on the day of
								the sample.</span
							>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
		<section aria-labelledby="bring" class="min-w-0">
			<h2 id="bring" class="text-2xl">Bring in a report</h2>
			<p class="small mt-1 text-muted">
				One value by hand: <a class="link" href="/waters/{water.id}/log/result">a result from elsewhere</a>.
			</p>
			<ImportReport waterId={water.id} {newId} {timeZone} {now} />
		</section>
	</div>
</main>
