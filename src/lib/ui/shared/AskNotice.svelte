<script lang="ts">
	import { PROFILE_PLAIN } from '$lib/format/start/profile-plain';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';

	interface Props {
		waterId: string;
		/** Of the answer, so that pressing twice is pressing once. */
		id: string;
		/** Where one comes back to. */
		back: string;
	}
	let { waterId, id, back }: Props = $props();
</script>

<!-- What was left for later at the beginning is asked for where it first matters. -->
<form
	method="post"
	action="/waters/{waterId}/waters?/kind"
	class="border-b bg-paper px-4 py-3 lg:px-8"
	aria-labelledby="ask-kind"
>
	<Hidden name="id" value={id} />
	<Hidden name="back" value={back} />
	<div class="mx-auto max-w-[76rem]">
		<p id="ask-kind">
			<strong>What is in it?</strong> Until that is said nothing is judged and no test is due.
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			{#each PROFILE_PLAIN as { value, name } (value)}
				<Button type="submit" name="profile" {value}>{name}</Button>
			{/each}
		</div>
	</div>
</form>
