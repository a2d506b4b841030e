<script lang="ts">
	interface Props {
		waterId: string;
	}
	let { waterId }: Props = $props();
</script>

<p class="border-b bg-paper px-4 py-3 lg:px-8">
	<span class="mx-auto block max-w-[76rem]">
		<strong>How much water is in it?</strong> Doses and changes are measured by it.
		<a class="link inline-flex min-h-8 items-center" href="/waters/{waterId}/waters?edit={waterId}"
			>Say how much it holds</a
		>
	</span>
</p>
