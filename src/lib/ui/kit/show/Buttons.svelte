<script lang="ts">
	import DownloadOutline from 'flowbite-svelte-icons/DownloadOutline.svelte';
	import PrinterOutline from 'flowbite-svelte-icons/PrinterOutline.svelte';
	import Button from '../Button.svelte';
	import Link from '../Link.svelte';

	let light = $state('daylight');
</script>

<div class="mt-4 flex flex-wrap items-center gap-3">
	<Button kind="primary">Save the result</Button>
	<Button>Leave it out</Button>
	<Button kind="quiet">Back to the Log</Button>
	<Button kind="text" class="min-h-11">Leave out</Button>
	<Link href="#buttons">Methods and kits</Link>
</div>
<div class="mt-3 flex flex-wrap items-center gap-3">
	<Button kind="primary" size="large">Colour has turned</Button>
	<Button size="large">Add a drop</Button>
	<Button kind="quiet" size="large">Go back</Button>
</div>
<div class="mt-3 flex flex-wrap items-center gap-3">
	<Button kind="primary" disabled>Save the result</Button>
	<Button disabled>Leave it out</Button>
	<Button icon={DownloadOutline}>Save as CSV</Button>
	<Button kind="text" icon={PrinterOutline} class="min-h-11">Print what is seen</Button>
</div>
<div class="mt-3 flex flex-wrap gap-3" role="group" aria-label="Light">
	{#each ['daylight', 'lamp', 'shade'] as one (one)}
		<Button kind="choice" pressed={light === one} onclick={() => (light = one)}>{one}</Button>
	{/each}
</div>
