<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
</script>

<div class="border-b bg-paper">
	<form
		method="post"
		action="/begin/demo?/leave"
		class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-6 px-4 py-1 lg:px-8"
	>
		<p class="font-semibold">Made up, to look at: none of this is real water.</p>
		<Button kind="text" type="submit" class="min-h-11">Take it away</Button>
		<a class="link flex min-h-11 items-center" href="/">To your own</a>
	</form>
</div>
