<script lang="ts">
	let { waterId }: { waterId: string } = $props();

	const KEYS = [
		['Space or Enter', 'the next thing: add a drop, start the wait, go on'],
		['Enter', 'on the syringe: the colour has turned; on the result: save it'],
		['↑ ↓', 'move the plunger by one division; with Shift by ten'],
		['Backspace', 'take the last press back'],
		['Esc', 'from the result back to the syringe; nothing entered is lost']
	] as const;
	const TEXTS = [
		[
			'Which edge of the plunger is read',
			'The edge that faces the liquid, when loading and when reading. The air under it fills the dead volume of the tip. It is there at the start and at the end, so it cancels; pressing it out would be the error.'
		],
		[
			'Left or used',
			'Some leaflets ask for what is left in the syringe, others for what was used. Tevrik shows both at once and keeps what you entered as you entered it.'
		],
		[
			'What ± means',
			'The interval in which the true value lies about 19 times out of 20. It is built from the marks of the scale, the size of the last drop, the judging of the colour, the sample volume and the strength of the titrant. Digits that mean nothing are not shown.'
		],
		[
			'Why half a drop is taken off',
			'The colour turned somewhere within the last drop. Counting it whole would read half a drop too high on average.'
		],
		[
			'Alkalinity, carbonate hardness, KH',
			'Names for nearly the same thing: how much acid the water takes up before its pH falls. What the kit measures is total alkalinity. It falls as corals build their skeletons of calcium carbonate, and faster than calcium does: 1 dKH goes with about 7 mg/L of calcium.'
		],
		[
			'How the titrations work',
			'Alkalinity: acid is added until it is in excess and the indicator shows it. Calcium: the titrant binds calcium ion by ion; when the last is bound, the indicator loses its own and changes colour. That is complex formation, not buffering.'
		],
		[
			'What is expected, and surprising',
			'From the last readings, with the doses and water changes between them taken into account, a line is drawn. A reading further from it than three standard deviations is called surprising, and you are asked whether a usual slip of the hand would explain it. You always decide.'
		],
		[
			'Dangers',
			'Titration acid and alkaline buffers burn eyes and skin: goggles, and rinse with water for 15 minutes. Keep reagents from children and pets. Unplug before hands go into the water. The label, the safety data sheet and local disposal rules come first. Tevrik advises, you decide; sick animals and anything licensed belong to a professional.'
		]
	] as const;
</script>

<main class="page max-w-[48rem]!">
	<h1 class="text-3xl">Help and shortcuts</h1>
	<h2 class="label mt-6">Keys on the bench</h2>
	<dl class="mt-2">
		{#each KEYS as [key, what] (key)}
			<div class="grid grid-cols-[9rem_1fr] gap-4 border-t py-2">
				<dt class="font-semibold">{key}</dt>
				<dd>{what}</dd>
			</div>
		{/each}
	</dl>
	{#each TEXTS as [title, text] (title)}
		<h2 class="mt-6 text-xl">{title}</h2>
		<p class="mt-1">{text}</p>
	{/each}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/today">Back to Today</a></p>
</main>
