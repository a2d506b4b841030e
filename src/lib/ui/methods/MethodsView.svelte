<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Method } from '$lib/core/method';
	import { PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
	import { KIND_NAMES } from '$lib/format/method';
	import Action from '$lib/ui/shared/Action.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';

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
	const groups = $derived(
		PARAMETER_IDS.map((parameter) => ({
			parameter,
			methods: methods.filter((m) => m.method.parameter === parameter)
		})).filter((g) => g.methods.length > 0)
	);
	function checkSize(event: Event & { currentTarget: HTMLInputElement }): void {
		const [file] = event.currentTarget.files ?? [];
		tooLarge =
			file && file.size > mostBytes
				? `${file.name} is larger than any method file, ${Math.round(mostBytes / 1024)} kB. Choose another.`
				: '';
		if (tooLarge) event.currentTarget.value = '';
	}
</script>

<main class="page max-w-[64rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-4">
		<h1 class="text-3xl">Methods and kits</h1>
		<Action kind="primary" href="/waters/{waterId}/methods/new">Enter a kit from its leaflet</Action>
	</div>
	<p class="mt-2 max-w-[42rem] text-muted">
		A method says what is done, what is read, and how the reading becomes a number. Those that ship are named
		by what they do; your own kit is entered once, from the leaflet in your hand.
	</p>

	{#each groups as group (group.parameter)}
		<section class="mt-8">
			<h2 class="label border-b pb-1">{PARAMETERS[group.parameter].name}</h2>
			<ul>
				{#each group.methods as { method, own } (method.code)}
					<li class="grid items-baseline gap-x-6 border-b py-2.5 sm:grid-cols-[1fr_14rem_auto]">
						<a class="link font-semibold" href="/waters/{waterId}/methods/{method.code}">{method.name}</a>
						<span class="small text-muted"
							>{KIND_NAMES[method.kind]}{own ? `, your own, version ${method.version}` : ''}</span
						>
						<a
							class="link small flex min-h-8 items-center"
							href="/waters/{waterId}/methods/new?from={method.code}"
							>Duplicate<span class="visually-hidden"> {method.name}</span></a
						>
					</li>
				{/each}
			</ul>
		</section>
	{/each}

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
			<input type="hidden" name="id" value={id} />
			<input
				type="file"
				name="file"
				accept="application/json,.json"
				aria-label="Method file"
				required
				onchange={checkSize}
				class="min-h-11 max-w-full"
			/>
			<Action type="submit">Bring it in</Action>
		</form>
	</section>
</main>
