<script lang="ts">
	import { BACKGROUNDS, COURSES, LIGHTS, type Circumstances } from '$lib/core/reading';
	import { BACKGROUND_WORDS, COURSE_WORDS, LIGHT_WORDS } from '$lib/format/reading';
	import { toggleLook } from './toggle';

	let { value, onchange }: { value: Circumstances; onchange: (value: Circumstances) => void } = $props();

	const usual = $derived(value.light === 'daylight' && value.background === 'white');
</script>

<div class="mt-5 max-w-[38rem] border-t pt-3">
	<div class="flex flex-wrap gap-3">
		<button
			type="button"
			class={toggleLook(usual)}
			aria-pressed={usual}
			onclick={() => onchange({ ...value, light: 'daylight', background: 'white' })}
			>Daylight, on white</button
		>
	</div>
	<details class="mt-2">
		<summary class="link inline-block min-h-10">Another light, cloudy, or the colour came oddly</summary>
		<div class="mt-2 grid gap-3 sm:grid-cols-2">
			<label class="block">
				<span class="small block text-muted">Light</span>
				<select
					value={value.light ?? ''}
					onchange={(e) =>
						onchange({ ...value, light: (e.currentTarget.value || undefined) as Circumstances['light'] })}
					class="min-h-12 w-full rounded-md border border-line-strong bg-surface"
				>
					<option value="">not noted</option>
					{#each LIGHTS as light (light)}<option value={light}>{LIGHT_WORDS[light]}</option>{/each}
				</select>
			</label>
			<label class="block">
				<span class="small block text-muted">Background</span>
				<select
					value={value.background ?? ''}
					onchange={(e) =>
						onchange({
							...value,
							background: (e.currentTarget.value || undefined) as Circumstances['background']
						})}
					class="min-h-12 w-full rounded-md border border-line-strong bg-surface"
				>
					<option value="">not noted</option>
					{#each BACKGROUNDS as background (background)}<option value={background}
							>{BACKGROUND_WORDS[background]}</option
						>{/each}
				</select>
			</label>
			<label class="block">
				<span class="small block text-muted">How the colour came</span>
				<select
					value={value.course ?? 'as-written'}
					onchange={(e) => onchange({ ...value, course: e.currentTarget.value as Circumstances['course'] })}
					class="min-h-12 w-full rounded-md border border-line-strong bg-surface"
				>
					{#each COURSES as course (course)}<option value={course}>{COURSE_WORDS[course]}</option>{/each}
				</select>
			</label>
			<label class="flex min-h-12 items-center gap-3 self-end">
				<input
					type="checkbox"
					checked={value.cloudy ?? false}
					onchange={(e) => onchange({ ...value, cloudy: e.currentTarget.checked })}
					class="h-5 w-5 accent-[var(--ink)]"
				/>
				<span>The sample was cloudy</span>
			</label>
		</div>
		<p class="small mt-2 text-muted">
			These are notes. They stand with the reading and change nothing in it.
		</p>
	</details>
</div>
