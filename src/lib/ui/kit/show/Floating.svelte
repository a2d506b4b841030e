<script lang="ts">
	import Button from '../Button.svelte';
	import Dialog from '../Dialog.svelte';
	import Drawer from '../Drawer.svelte';
	import Menu from '../Menu.svelte';
	import ToastBoard from '../ToastBoard.svelte';
	import { Toasts } from '../toasts.svelte';
	import Tooltip from '../Tooltip.svelte';

	let asked = $state(false);
	let drawn = $state(false);
	let kept = $state(true);
	const toasts = new Toasts();

	function leave(): void {
		kept = false;
		asked = false;
		toasts.tell('The reading was taken back.', { word: 'Keep it', press: () => (kept = true) });
	}
</script>

<div class="mt-4 flex flex-wrap items-center gap-4">
	<Menu title="Lobby reef">
		<li><a class="block px-4 py-2 hover:bg-paper" href="#floating">Cuttings tray</a></li>
		<li><a class="block px-4 py-2 hover:bg-paper" href="#floating">Mixing barrel</a></li>
	</Menu>
	<Button onclick={() => (asked = true)}>Take it back …</Button>
	<Button onclick={() => (drawn = true)}>What you need</Button>
	<Button onclick={() => toasts.tell('Calcium of the lobby reef is on the server.')}>Tell it</Button>
	<Button kind="quiet">95 %</Button>
	<Tooltip>The true value lies inside 19 times out of 20.</Tooltip>
	<span class="text-muted" role="status">{kept ? 'The reading is kept.' : 'The reading is gone.'}</span>
</div>
<Dialog bind:open={asked} title="Take this reading back?" close="Keep it">
	<p>It stays in the Log, struck out, and counts no more.</p>
	{#snippet actions()}<Button kind="primary" onclick={leave}>Take it back</Button>{/snippet}
</Dialog>
<Drawer bind:open={drawn} title="What you need">
	<ul class="list-disc pl-5">
		<li>A clean vial, rinsed with the sample</li>
		<li>Purified water</li>
		<li>A white background</li>
	</ul>
</Drawer>
<ToastBoard {toasts} />
