<script lang="ts">
	interface Props {
		title: string;
		/** What cannot be done without it. */
		what: string;
		waterId: string;
	}
	let { title, what, waterId }: Props = $props();
</script>

<main class="page">
	<h1 class="text-3xl">{title}</h1>
	<p class="mt-3 max-w-[44rem]">
		The net volume of this water is not known, so that {what}. Say it under
		<a class="link" href="/waters/{waterId}/waters">Waters</a>.
	</p>
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
