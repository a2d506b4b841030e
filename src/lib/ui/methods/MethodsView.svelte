<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Method } from '$lib/core/method';
	import { PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
	import { KIND_NAMES } from '$lib/format/methods/method';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import May from '$lib/ui/access/May.svelte';

	interface Props {
		waterId: string;
		methods: readonly { readonly method: Method; readonly own: boolean }[];
		/** Largest file that is taken, bytes. */
		mostBytes: number;
		refused: string | null;
		id: string;
	}
	let { waterId, methods, mostBytes, refused, id }: Props = $props();

	let tooLarge = $state('');
	type Row = (typeof methods)[number];
	const inOrder = $derived(
		PARAMETER_IDS.flatMap((parameter) => methods.filter((m) => m.method.parameter === parameter))
	);
	const kindOf = ({ method, own }: Row) =>
		`${KIND_NAMES[method.kind]}${own ? `, your own, version ${method.version}` : ''}`;
	const wordsOf = (row: Row) => `${row.method.name} ${PARAMETERS[row.method.parameter].name} ${kindOf(row)}`;
	const COLUMNS: readonly Column<Row>[] = [
		{ id: 'name', name: 'Method', by: ({ method }) => method.name },
		{ id: 'kind', name: 'Read by', by: kindOf, class: 'max-sm:col-start-1 sm:w-56' },
		{
			id: 'tests',
			name: 'Tests in a pack',
			by: ({ method }) => method.pack.tests ?? null,
			figures: true,
			optional: 'hidden'
		},
		{ id: 'does', name: '', class: 'max-sm:col-start-2 max-sm:row-start-1' }
	];
	function checkSize(file: File): boolean {
		const fits = file.size <= mostBytes;
		tooLarge = fits
			? ''
			: `${file.name} is larger than any method file, ${Math.round(mostBytes / 1024)} kB. Choose another.`;
		return fits;
	}
</script>

<main class="page max-w-[64rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-4">
		<h1 class="text-3xl">Methods and kits</h1>
		<May what="equip"
			><Button kind="primary" href="/waters/{waterId}/methods/new">Enter a kit from its leaflet</Button></May
		>
	</div>
	<p class="mt-2 max-w-[42rem] text-muted">
		A method says what is done, what is read, and how the reading becomes a number. Those that ship are named
		by what they do; your own kit is entered once, from the leaflet in your hand.
	</p>

	<div class="mt-6">
		<DataTable
			label="Methods"
			rows={inOrder}
			columns={COLUMNS}
			key={({ method }) => method.code}
			words={wordsOf}
			group={({ method }) => PARAMETERS[method.parameter].name}
			stacked="grid-cols-[1fr_auto] gap-x-4 py-2"
		>
			{#snippet cell({ method, own }: Row, column: string)}
				{#if column === 'name'}
					<a class="link font-semibold" href="/waters/{waterId}/methods/{method.code}">{method.name}</a>
				{:else if column === 'kind'}
					<span class="small text-muted">{kindOf({ method, own })}</span>
				{:else if column === 'tests'}
					{method.pack.tests ?? '–'}
				{:else}
					<a
						class="link small flex min-h-8 items-center sm:justify-end"
						href="/waters/{waterId}/methods/new?from={method.code}"
						>Duplicate<span class="visually-hidden"> {method.name}</span></a
					>
				{/if}
			{/snippet}
		</DataTable>
	</div>

	<May what="equip">
		<section class="mt-10 border-t pt-5">
			<h2 class="text-xl">Bring in a method file</h2>
			<p class="small mt-1 text-muted">
				A file that Tevrik gave out, from here or from another place. It becomes a method of your own.
			</p>
			{#if refused}<div class="mt-3 max-w-[42rem]"><Fault text={refused} /></div>{/if}
			{#if tooLarge}<p role="alert" class="mt-3 font-semibold text-warn">{tooLarge}</p>{/if}
			<form
				method="post"
				enctype="multipart/form-data"
				use:enhance
				class="mt-3 flex flex-wrap items-center gap-4"
			>
				<Hidden name="id" value={id} />
				<FileField
					name="file"
					accept="application/json,.json"
					label="Method file"
					bare
					required
					onfile={checkSize}
				/>
				<Button type="submit">Bring it in</Button>
			</form>
		</section>
	</May>
</main>
