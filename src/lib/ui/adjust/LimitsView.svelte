<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Limited } from '$lib/core/caution';
	import { PARAMETERS } from '$lib/core/quantity';
	import { plain } from '$lib/format/number';
	import { symbolAfter } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		waterId: string;
		limits: readonly {
			readonly parameter: Limited;
			readonly direction: 'up' | 'down';
			readonly perDay: number | null;
			readonly cautious: number;
			readonly most: number;
			readonly reason: string;
		}[];
		animals: boolean;
		id: string;
		form: { readonly entered: Record<string, string>; readonly field: string; readonly text: string } | null;
	}
	let { waterId, limits, animals, id, form }: Props = $props();

	const parameters = $derived([...new Set(limits.map((l) => l.parameter))]);
	const of = (parameter: Limited, direction: 'up' | 'down') =>
		limits.find((l) => l.parameter === parameter && l.direction === direction)!;
	const unit = (parameter: Limited) => symbolAfter(PARAMETERS[parameter].canonicalUnit);
	const faultOf = (field: string) => (form?.field === field ? form.text : undefined);
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">What a day may change</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		The largest net change of the water in a day: what is added less what is used. Conventions for animals,
		not laws of nature. {animals
			? ''
			: 'Nothing lives in this water: only chemistry holds it, and what its bacteria bear.'}
	</p>
	<Table class="mt-6">
		<thead
			><tr class="border-b"
				><th class="py-2 pr-4">A day</th><th class="py-2 pr-4 text-right">up</th><th
					class="py-2 pr-4 text-right">down</th
				><th class="py-2 text-right">at most</th></tr
			></thead
		>
		<tbody>
			{#each parameters as p (p)}
				{@const up = of(p, 'up')}
				{@const down = of(p, 'down')}
				<tr class="border-b align-top">
					<td class="py-2 pr-4"
						>{PARAMETERS[p].name}{#if up.reason || down.reason}<span class="small block text-muted"
								>{[up.reason, down.reason].filter(Boolean).join('; ')}</span
							>{/if}</td
					>
					{#each [up, down] as l (l.direction)}
						<td class="py-2 pr-4 text-right sm:whitespace-nowrap"
							>{l.perDay === null ? 'any' : `${plain(l.perDay)}${unit(p)}`}{l.perDay !== null &&
							l.perDay !== l.cautious
								? ' (yours)'
								: ''}</td
						>
					{/each}
					<td class="py-2 text-right text-muted">{plain(up.most)} / {plain(down.most)}</td>
				</tr>
			{/each}
		</tbody>
	</Table>
	{#if animals}
		<h2 class="mt-8 text-2xl">Set one</h2>
		<form method="post" use:enhance={sending} class="mt-3 grid gap-5 sm:grid-cols-3">
			<Hidden name="id" value={id} />
			{#if form && !['perDay', 'reason'].includes(form.field)}<div class="sm:col-span-3">
					<Fault text={form.text} />
				</div>{/if}
			<Choice
				name="parameter"
				label="Of"
				value={form?.entered.parameter ?? 'alkalinity'}
				items={parameters.map((value) => ({ value, name: PARAMETERS[value].name }))}
			/>
			<Choice
				name="direction"
				label="Direction"
				value={form?.entered.direction ?? 'up'}
				items={[
					{ value: 'up', name: 'up' },
					{ value: 'down', name: 'down' }
				]}
			/>
			<Field
				name="perDay"
				label="At most a day"
				inputmode="decimal"
				value={form?.entered.perDay ?? ''}
				fault={faultOf('perDay')}
			/>
			<div class="sm:col-span-3">
				<Field
					name="reason"
					label="Why"
					value={form?.entered.reason ?? ''}
					help="Only needed where a limit is raised. It stands beside the limit."
					fault={faultOf('reason')}
				/>
			</div>
			<div><Button type="submit">Set it</Button></div>
		</form>
	{/if}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
