<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
</script>

<span class="print:hidden"><Button onclick={() => window.print()}>Print</Button></span>
