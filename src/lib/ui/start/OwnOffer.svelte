<script lang="ts">
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
</script>

<StartFrame about="your own water">
	<h1 class="text-3xl lg:text-4xl">Begin with your own</h1>
	<p class="mt-3 text-lg">
		Everything here is made up. Your own water is kept apart from it, in a database of its own, and both can
		run at once.
	</p>
	<ol class="mt-5 list-decimal space-y-3 pl-5 text-lg">
		<li>In the folder where the demo was started, say <code>npm start</code>.</li>
		<li>It prints a link that makes your account, once. Open it.</li>
		<li>Three screens: who you are, what is in your tank, what you test with. Then the bench.</li>
	</ol>
	<p class="mt-5">
		For a phone at the tank start it with <code>npm start -- --house</code>. This demo can be looked at from
		inside there, too.
	</p>
	<p class="mt-8"><a class="link" href="/">Back to the demo</a></p>
</StartFrame>
