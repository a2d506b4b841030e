<script lang="ts">
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';

	interface Props {
		/** Null where the house is not served. */
		house: {
			readonly door: string;
			readonly addresses: readonly string[];
			readonly fingerprint: string;
			readonly qr: string;
		} | null;
	}
	let { house }: Props = $props();
</script>

<StartFrame about="the phone at the tank">
	<h1 class="text-3xl lg:text-4xl">The phone at the tank</h1>
	{#if house}
		<div class="mt-5 grid gap-x-10 gap-y-6 sm:grid-cols-[16rem_1fr]">
			<div>
				<img src={house.qr} alt="The address {house.door} for a camera" class="w-64 border bg-white" />
				<p class="figures mt-2 break-all"><strong>{house.door}</strong></p>
			</div>
			<ol class="list-decimal space-y-3 pl-5">
				<li>Hold the phone’s camera on the picture, in the same home network, and open what it finds.</li>
				<li>There the phone is led through trusting this computer, once. Only your house is concerned.</li>
				<li>
					Then the bench opens. It goes on without a network, keeps the screen awake and reads with the
					camera.
				</li>
			</ol>
		</div>
		<h2 class="mt-8 text-xl">To compare, before you trust it</h2>
		<p class="figures small mt-1 break-all">{house.fingerprint}</p>
		<h2 class="mt-6 text-xl">Reached as</h2>
		<ul class="figures mt-1">
			{#each house.addresses as address (address)}<li><a class="link" href={address}>{address}</a></li>{/each}
		</ul>
		<p class="small mt-6 text-muted">
			The certificate is renewed by itself. <code>npm run house:remove</code> takes all of it back; then remove
			the certificate in the settings of each phone.
		</p>
	{:else}
		<p class="mt-3 text-lg">
			A phone keeps its bench without a network, stays awake and lends its camera only to an address that it
			trusts.
		</p>
		<p class="mt-4">
			End Tevrik in its window with Ctrl-C and start it with <code>npm start -- --house</code>. It then serves
			your home network over https, with an authority of its own that never leaves this computer, and shows
			here how a phone comes to trust it.
		</p>
	{/if}
	<p class="mt-8"><a class="link" href="/">Back</a></p>
</StartFrame>
