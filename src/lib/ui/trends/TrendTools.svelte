<script lang="ts">
	import { PARAMETERS, isParameterId, type ParameterId } from '$lib/core/quantity';
	import type { TrendSpan } from '$lib/contract/trends';
	import { fetchSeen } from './fetch-seen';
	import type { StackState } from './StackState.svelte';

	interface Props {
		stack: StackState;
		spans: readonly TrendSpan[];
		parameters: readonly ParameterId[];
		siblings: readonly { readonly id: string; readonly name: string }[];
		waterId: string;
		onpicture: () => void;
		oncsv: () => void;
	}
	let { stack, spans, parameters, siblings, waterId, onpicture, oncsv }: Props = $props();

	let first = $state('');
	let second = $state('');
	let beside = $state('');
	let trouble = $state('');

	function lay(): void {
		stack.over = isParameterId(first) && isParameterId(second) && first !== second ? [first, second] : null;
	}
	async function compare(id: string): Promise<void> {
		beside = id;
		trouble = '';
		stack.other = null;
		if (!id) return;
		try {
			const { name, series } = await fetchSeen(id, stack.days());
			if (beside === id) stack.other = { id, name, series };
		} catch {
			trouble = 'The other water could not be read just now. Choose it again in a moment.';
			beside = '';
		}
	}
</script>

<div class="tools border-b bg-paper">
	<div class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-5 px-4 lg:px-8">
		<h1 class="visually-hidden">Trends</h1>
		<nav aria-label="Span of time" class="-ml-3 flex flex-wrap items-center">
			{#each spans as span (span)}
				<a
					href="?span={span}"
					data-sveltekit-noscroll
					aria-current={span === stack.span ? 'true' : undefined}
					onclick={(e) => {
						e.preventDefault();
						stack.show(span);
					}}
					class="flex min-h-12 items-center px-3 {span === stack.span
						? 'font-semibold underline decoration-2 underline-offset-8'
						: 'text-muted hover:text-ink'}">{span}</a
				>
			{/each}
			<span class="mx-1 h-5 border-l" aria-hidden="true"></span>
			<button type="button" class="tool" onclick={() => stack.pan((stack.from - stack.to) / 86_400_000 / 2)}
				>Earlier</button
			>
			<button type="button" class="tool" onclick={() => stack.pan((stack.to - stack.from) / 86_400_000 / 2)}
				>Later</button
			>
			<button type="button" class="tool" onclick={() => stack.zoom(0.6)}>Closer</button>
			<button type="button" class="tool" onclick={() => stack.zoom(1 / 0.6)}>Wider</button>
		</nav>
		<details class="more ml-auto">
			<summary class="flex min-h-12 items-center">Compare, print, save</summary>
			<div class="grid gap-4 pt-1 pb-4 sm:grid-cols-2 lg:grid-cols-4">
				<fieldset>
					<legend class="small text-muted">Lay one over another</legend>
					<select aria-label="First" bind:value={first} onchange={lay}>
						<option value="">–</option>
						{#each parameters as p (p)}<option value={p}>{PARAMETERS[p].name}</option>{/each}
					</select>
					<select aria-label="Second" bind:value={second} onchange={lay} class="mt-2">
						<option value="">–</option>
						{#each parameters as p (p)}<option value={p}>{PARAMETERS[p].name}</option>{/each}
					</select>
				</fieldset>
				<label class="block">
					<span class="small block text-muted">Another water beside</span>
					<select value={beside} onchange={(e) => void compare(e.currentTarget.value)}>
						<option value="">none</option>
						{#each siblings as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
					</select>
					{#if trouble}<span class="small font-semibold text-warn" role="alert">{trouble}</span>{/if}
				</label>
				<label class="mt-6 flex min-h-11 items-center gap-3 self-start">
					<input type="checkbox" bind:checked={stack.superseded} class="h-5 w-5 accent-[var(--ink)]" />
					<span>Show corrected readings too</span>
				</label>
				<p class="flex flex-col items-start">
					<button type="button" class="tool underline" onclick={() => window.print()}
						>Print what is seen</button
					>
					<button type="button" class="tool underline" onclick={onpicture}>Save it as a picture</button>
					<button type="button" class="tool underline" onclick={oncsv}>Save it as CSV</button>
					<a class="tool underline" href="/waters/{waterId}/log.csv">Save the whole log as CSV</a>
				</p>
			</div>
		</details>
	</div>
</div>

<style>
	.tool {
		display: flex;
		min-height: 2.75rem;
		align-items: center;
		padding-inline: 0.75rem;
		color: var(--muted);
		text-underline-offset: 4px;
	}
	.tool:hover {
		color: var(--ink);
	}
	.more[open] {
		flex-basis: 100%;
	}
	.more p .tool {
		min-height: 2.5rem;
		padding-inline: 0;
		color: var(--ink);
	}
	select {
		display: block;
		width: 100%;
		min-height: 2.75rem;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background-color: var(--surface);
	}
	@media print {
		.tools {
			display: none;
		}
	}
</style>
