<script lang="ts">
	import { BACKGROUNDS, COURSES, LIGHTS, type Circumstances } from '$lib/core/reading';
	import { BACKGROUND_WORDS, COURSE_WORDS, LIGHT_WORDS } from '$lib/format/log/reading';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	let { value, onchange }: { value: Circumstances; onchange: (value: Circumstances) => void } = $props();

	const NOT_NOTED = { value: '', name: 'not noted' };
	const usual = $derived(value.light === 'daylight' && value.background === 'white');
</script>

<div class="mt-5 max-w-[38rem] border-t pt-3">
	<div class="flex flex-wrap gap-3">
		<Button
			kind="choice"
			pressed={usual}
			onclick={() => onchange({ ...value, light: 'daylight', background: 'white' })}
			>Daylight, on white</Button
		>
	</div>
	<Disclosure class="mt-2" title="Another light, cloudy, or the colour came oddly" look="link min-h-10">
		<div class="mt-2 grid gap-3 sm:grid-cols-2">
			<Choice
				label="Light"
				quiet
				large
				value={value.light ?? ''}
				items={[NOT_NOTED, ...LIGHTS.map((light) => ({ value: light, name: LIGHT_WORDS[light] }))]}
				onpick={(light) => onchange({ ...value, light: (light || undefined) as Circumstances['light'] })}
			/>
			<Choice
				label="Background"
				quiet
				large
				value={value.background ?? ''}
				items={[NOT_NOTED, ...BACKGROUNDS.map((one) => ({ value: one, name: BACKGROUND_WORDS[one] }))]}
				onpick={(one) =>
					onchange({ ...value, background: (one || undefined) as Circumstances['background'] })}
			/>
			<Choice
				label="How the colour came"
				quiet
				large
				value={value.course ?? 'as-written'}
				items={COURSES.map((course) => ({ value: course, name: COURSE_WORDS[course] }))}
				onpick={(course) => onchange({ ...value, course: course as Circumstances['course'] })}
			/>
			<Checkbox
				checked={value.cloudy ?? false}
				class="min-h-12 items-center self-end"
				onchange={(e) => onchange({ ...value, cloudy: e.currentTarget.checked })}
				>The sample was cloudy</Checkbox
			>
		</div>
		<p class="small mt-2 text-muted">
			These are notes. They stand with the reading and change nothing in it.
		</p>
	</Disclosure>
</div>
