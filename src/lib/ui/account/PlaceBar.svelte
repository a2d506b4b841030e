<script lang="ts">
	/** On the device of a place: who reads there, and a tap to change it. */
	interface Props {
		place: { readonly name: string; readonly readerId: string | null };
		readers: readonly { readonly id: string; readonly name: string }[];
		path: string;
	}
	let { place, readers, path }: Props = $props();
	const reader = $derived(readers.find((r) => r.id === place.readerId));
</script>

<div class="border-b {reader ? 'bg-paper' : 'bg-ink text-surface'}">
	<p class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-6 px-4 lg:px-8">
		<span>{place.name}</span>
		<a
			href="/place?back={encodeURIComponent(path)}"
			class="flex min-h-12 items-center text-lg font-semibold underline underline-offset-4"
			>{reader ? `${reader.name} reads` : 'Who reads? Tap your name'}</a
		>
	</p>
</div>
