<script lang="ts">
	/** What a form carries along without showing it. */
	let { name, value }: { name: string; value: string | undefined } = $props();
</script>

<input type="hidden" {name} {value} />
