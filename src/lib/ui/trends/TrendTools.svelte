<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { PARAMETERS, isParameterId, type ParameterId } from '$lib/core/quantity';
	import type { TrendSpan } from '$lib/contract/trends';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import { fetchSeen } from './fetch-seen';
	import type { PictureKind } from './picture';
	import RowsChosen from './RowsChosen.svelte';
	import type { StackState } from './StackState.svelte';

	interface Props {
		stack: StackState;
		spans: readonly TrendSpan[];
		parameters: readonly ParameterId[];
		siblings: readonly { readonly id: string; readonly name: string }[];
		waterId: string;
		/** Another water whose id the address holds. */
		asked: string | null;
		onrows: (rows: readonly ParameterId[] | null) => void;
		onpicture: (kind: PictureKind) => void;
		oncsv: () => void;
	}
	let { stack, spans, parameters, siblings, waterId, asked, onrows, onpicture, oncsv }: Props = $props();

	let [first, second] = $state<[string, string]>([...(untrack(() => stack.over) ?? (['', ''] as const))]);
	let beside = $state('');
	let trouble = $state('');

	const overlaid = $derived([
		{ value: '', name: '–' },
		...parameters.map((p) => ({ value: p, name: PARAMETERS[p].name }))
	]);
	// A thumb drags, pinches, and has all time below.
	const TOOL = 'flex min-h-11 items-center px-3 text-muted hover:text-ink max-md:hidden';
	function lay(): void {
		stack.over = isParameterId(first) && isParameterId(second) && first !== second ? [first, second] : null;
	}
	onMount(() => {
		if (siblings.some((s) => s.id === asked)) void compare(asked!);
	});
	let copied = $state('');
	async function copyAddress(): Promise<void> {
		try {
			await navigator.clipboard.writeText(location.href);
			copied = 'Copied. Whoever may see this water sees this view.';
		} catch {
			copied = 'This browser copies nothing: the address stands in its own line.';
		}
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
			<span class="mx-1 h-5 border-l max-md:hidden" aria-hidden="true"></span>
			<Button kind="bare" class={TOOL} onclick={() => stack.pan((stack.from - stack.to) / 86_400_000 / 2)}
				>Earlier</Button
			>
			<Button kind="bare" class={TOOL} onclick={() => stack.pan((stack.to - stack.from) / 86_400_000 / 2)}
				>Later</Button
			>
			<Button kind="bare" class={TOOL} onclick={() => stack.zoom(0.6)}>Closer</Button>
			<Button kind="bare" class={TOOL} onclick={() => stack.zoom(1 / 0.6)}>Wider</Button>
		</nav>
		<Disclosure class="more ml-auto" title="Rows, compare, save" look="min-h-12">
			<div class="grid gap-x-8 gap-y-4 pt-1 pb-4 sm:grid-cols-2 lg:grid-cols-[17rem_1fr_1fr_1fr]">
				<RowsChosen {parameters} rows={stack.rows} {onrows} />
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
					<Checkbox bind:checked={stack.superseded} class="mt-3 min-h-11 items-center"
						>Show corrected readings too</Checkbox
					>
				</div>
				<p class="flex flex-col items-start">
					<Button kind="text" class="min-h-10" onclick={() => window.print()}>Print what is seen</Button>
					<Button kind="text" class="min-h-10" onclick={() => onpicture('png')}
						>Save it as a picture, PNG</Button
					>
					<Button kind="text" class="min-h-10" onclick={() => onpicture('svg')}
						>Save it as a drawing, SVG</Button
					>
					<Button kind="text" class="min-h-10" onclick={copyAddress}>Copy the address of this view</Button>
					{#if copied}<span class="small text-muted" role="status">{copied}</span>{/if}
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
