<script lang="ts">
	import { PARAMETERS, isParameterId, type ParameterId } from '$lib/core/quantity';
	import type { TrendSpan } from '$lib/contract/trends';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
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

	const overlaid = $derived([
		{ value: '', name: '–' },
		...parameters.map((p) => ({ value: p, name: PARAMETERS[p].name }))
	]);
	const TOOL = 'flex min-h-11 items-center px-3 text-muted hover:text-ink';
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
			<Button kind="bare" class={TOOL} onclick={() => stack.pan((stack.from - stack.to) / 86_400_000 / 2)}
				>Earlier</Button
			>
			<Button kind="bare" class={TOOL} onclick={() => stack.pan((stack.to - stack.from) / 86_400_000 / 2)}
				>Later</Button
			>
			<Button kind="bare" class={TOOL} onclick={() => stack.zoom(0.6)}>Closer</Button>
			<Button kind="bare" class={TOOL} onclick={() => stack.zoom(1 / 0.6)}>Wider</Button>
		</nav>
		<Disclosure class="more ml-auto" title="Compare, print, save" look="min-h-12">
			<div class="grid gap-4 pt-1 pb-4 sm:grid-cols-2 lg:grid-cols-4">
				<fieldset>
					<legend class="small text-muted">Lay one over another</legend>
					<Choice label="First" bare bind:value={first} items={overlaid} onpick={lay} />
					<Choice label="Second" bare class="mt-2" bind:value={second} items={overlaid} onpick={lay} />
				</fieldset>
				<div>
					<Choice
						label="Another water beside"
						quiet
						value={beside}
						items={[{ value: '', name: 'none' }, ...siblings.map((s) => ({ value: s.id, name: s.name }))]}
						onpick={(id) => void compare(id)}
					/>
					{#if trouble}<span class="small font-semibold text-warn" role="alert">{trouble}</span>{/if}
				</div>
				<Checkbox bind:checked={stack.superseded} class="mt-6 min-h-11 items-center self-start"
					>Show corrected readings too</Checkbox
				>
				<p class="flex flex-col items-start">
					<Button kind="text" class="min-h-10" onclick={() => window.print()}>Print what is seen</Button>
					<Button kind="text" class="min-h-10" onclick={onpicture}>Save it as a picture</Button>
					<Button kind="text" class="min-h-10" onclick={oncsv}>Save it as CSV</Button>
					<a class="link flex min-h-10 items-center" href="/waters/{waterId}/log.csv"
						>Save the whole log as CSV</a
					>
				</p>
			</div>
		</Disclosure>
	</div>
</div>

<style>
	.tools :global(.more[open]) {
		flex-basis: 100%;
	}
	@media print {
		.tools {
			display: none;
		}
	}
</style>
