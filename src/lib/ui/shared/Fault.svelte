<script lang="ts">
	/** One clear sentence: what is wrong, what was kept, what to do. */
	let { text }: { text: string } = $props();
</script>

<p role="alert" class="border-l-4 border-warn bg-paper px-4 py-3">
	<strong class="text-warn">Not yet.</strong>
	{text}
</p>
