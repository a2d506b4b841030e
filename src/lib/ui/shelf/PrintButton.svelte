<script lang="ts">
	import Action from '$lib/ui/shared/Action.svelte';
</script>

<span class="print:hidden"><Action onclick={() => window.print()}>Print</Action></span>
