<script lang="ts">
	import type { ComponentProps } from 'svelte';
	import { enhance } from '$app/forms';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { titrationsOf } from '$lib/core/method';
	import { SCALES } from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { SCALE_NAMES, subjectName, subjectPath } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import ReaderPanel from './ReaderPanel.svelte';
	import SaidScores from './SaidScores.svelte';
	import UseEye from './UseEye.svelte';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		weighed: ComponentProps<typeof UseEye>['weighed'] | null;
		mentors: boolean;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, weighed, mentors, id, units, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${waterId}/practice`);
	const first = $derived(practice.me.next[0] ?? null);
	/** What one reads with stands first, by what is worth most. */
	const place = $derived((code: string) => {
		const at = practice.me.next.findIndex(
			(w) => w.subject.kind === 'end-point' && w.subject.methodCode === code
		);
		return at < 0 ? 99 : at;
	});
	const endPoints = $derived(
		[...practice.methods]
			.sort((a, b) => place(a.code) - place(b.code))
			.flatMap((m) =>
				titrationsOf(m).map((t, i) => ({
					key: `${m.code}/${i}`,
					href: `${base}/end-point?kit=${encodeURIComponent(m.code)}&which=${i}`,
					name: i === 0 && titrationsOf(m).length === 1 ? m.name : `${m.name}: ${t.colours.end.name}`,
					colours: [t.colours.start, t.colours.passing, t.colours.end],
					tried: practice.me.eyes.find(
						(e) =>
							e.subject.kind === 'end-point' && e.subject.methodCode === m.code && e.subject.titration === i
					)?.errors.length
				}))
			)
	);
	const rows = $derived(practice.methods.flatMap((m) => ('colourSteps' in m ? [m] : [])));
	const mine = $derived(
		practice.lessons.filter((l) => l.forMember === practice.me.memberId && l.done < l.vials)
	);
	const HANDS = [
		{ path: 'colours', name: 'Telling colours apart', says: 'odd one out, three lines of colour' },
		{ path: 'count', name: 'Counting', says: 'drops among interruptions' },
		{ path: 'scoop', name: 'Scoops', says: 'short, level, heaped' },
		{ path: 'time', name: 'Times by feeling', says: 'swirls and exact waits' },
		{ path: 'known', name: 'Known concentrations', says: 'zero, middle and high, made at home' }
	];
</script>

<main class="page">
	{#if weighed}<UseEye {weighed} methods={practice.methods} {base} {id} {units} {timeZone} {now} />{/if}
	<div class="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
		<div class="min-w-0">
			<p class="label">Practice</p>
			<h1 class="mt-1 text-3xl leading-tight text-balance md:text-4xl">
				{first ? subjectName(first.subject, practice.methods) : 'The eye behind the reading'}
			</h1>
			<p class="mt-2 max-w-[44rem] text-muted">
				{first
					? 'This would narrow your results most. A simulated vial, eight times: you say when it has turned.'
					: 'Whoever reads is the largest part of most results’ uncertainty. Here it is trained, and measured.'}
			</p>
			{#if first}
				<p class="mt-4 flex flex-wrap gap-3">
					<Button kind="primary" size="large" href="{base}/{subjectPath(first.subject)}">Practise it</Button>
					<Button size="large" href="{base}/{subjectPath(first.subject)}&mode=slow"
						>See it with the curve first</Button
					>
				</p>
			{/if}
			{#each mine as lesson (lesson.id)}
				<p class="mt-4 border-l-4 border-accent pl-3">
					{lesson.by} set you a lesson {shortDay(lesson.at, timeZone, now)}:
					<a class="link font-semibold" href="{base}/{subjectPath(lesson.subject)}"
						>{subjectName(lesson.subject, practice.methods)}</a
					>,
					{lesson.done} of {lesson.vials} done.{lesson.note ? ` “${lesson.note}”` : ''}
				</p>
			{/each}

			<h2 class="mt-10 text-xl">End points</h2>
			<ul class="mt-2 grid gap-x-8 sm:grid-cols-2">
				{#each endPoints as { key, href, name, colours, tried } (key)}
					<li class="border-t">
						<a {href} class="flex min-h-14 items-center gap-3 py-2 hover:bg-paper">
							<svg viewBox="0 0 60 20" class="h-6 w-16 shrink-0 border" aria-hidden="true">
								{#each colours as colour, i (i)}<rect
										x={i * 20}
										width="20"
										height="20"
										fill={colour.css}
									/>{/each}
							</svg>
							<span class="min-w-0 flex-1 font-semibold">{name}</span>
							<span class="small figures shrink-0 text-muted">{tried ? `${tried} vials` : 'never'}</span>
						</a>
					</li>
				{/each}
			</ul>
			<h2 class="mt-8 text-xl">Colour steps</h2>
			<ul class="mt-2 grid gap-x-8 sm:grid-cols-2">
				{#each rows as m (m.code)}
					<li class="border-t">
						<a
							href="{base}/steps?kit={encodeURIComponent(m.code)}"
							class="flex min-h-14 items-center gap-3 py-2 hover:bg-paper"
						>
							<svg
								viewBox="0 0 {m.colourSteps.length * 10} 20"
								preserveAspectRatio="none"
								class="h-6 w-16 shrink-0 border"
								aria-hidden="true"
							>
								{#each m.colourSteps as step, i (i)}<rect
										x={i * 10}
										width="10.5"
										height="20"
										fill={step.colour.css}
									/>{/each}
							</svg>
							<span class="min-w-0 flex-1 font-semibold">{m.name}</span>
						</a>
					</li>
				{/each}
			</ul>
			<h2 class="mt-8 text-xl">Scales and hands</h2>
			<ul class="mt-2 grid gap-x-8 sm:grid-cols-2">
				{#each SCALES as scale (scale)}
					<li class="border-t">
						<a
							href="{base}/scale?scale={scale}"
							class="flex min-h-12 items-center py-2 font-semibold hover:bg-paper">{SCALE_NAMES[scale]}</a
						>
					</li>
				{/each}
				{#each HANDS as { path, name, says } (path)}
					<li class="border-t">
						<a
							href="{base}/{path}"
							class="flex min-h-12 flex-wrap items-center justify-between gap-x-3 py-2 hover:bg-paper"
							><span class="font-semibold">{name}</span><span class="small text-muted">{says}</span></a
						>
					</li>
				{/each}
			</ul>
			<SaidScores said={practice.me.said} {units} />
			<section class="mt-10 border-t pt-4" aria-label="Mentor">
				<h2 class="text-xl">Mentor</h2>
				<form method="post" action="?/share" use:enhance class="mt-2 flex flex-wrap items-center gap-3">
					<Hidden name="id" value={id} />
					<Hidden name="shown" value={practice.shown ? 'no' : 'yes'} />
					<p>
						{practice.shown
							? 'Others of this house may see how you practise.'
							: 'How you practise, nobody else sees.'}
					</p>
					<Button type="submit">{practice.shown ? 'Show it no more' : 'Let them see it'}</Button>
				</form>
				<p class="mt-2">
					<a class="link" href="{base}/mentor"
						>{mentors
							? 'Set lessons, see who agreed, leave a note at a step'
							: 'With a mentor, on one device'}</a
					>
				</p>
			</section>
		</div>
		<aside
			class="min-w-0 border-t pt-6 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-8"
			aria-label="What is known of your eye"
		>
			<ReaderPanel {practice} subject={null} {base} {units} {timeZone} {now} />
		</aside>
	</div>
</main>
