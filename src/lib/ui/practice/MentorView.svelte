<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { stepsFor, titrationsOf } from '$lib/core/method';
	import { SCALES, subjectKey, type Subject } from '$lib/core/practice';
	import type { Instant } from '$lib/core/time';
	import { ago, shortDay } from '$lib/format/date';
	import { biasWords, SCALE_NAMES, subjectName } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import ErrorDots from './ErrorDots.svelte';
	import TwoReaders from './TwoReaders.svelte';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		mentors: boolean;
		id: string;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, mentors, id, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${waterId}/practice`);
	const { methods } = $derived(practice);
	const rows = $derived(methods.flatMap((m) => ('colourSteps' in m ? [m] : [])));
	const subjects = $derived<Subject[]>([
		...methods.flatMap((m) =>
			titrationsOf(m).map((_, i): Subject => ({
				kind: 'end-point',
				methodCode: m.code,
				titration: i === 0 ? 0 : 1
			}))
		),
		...rows.map((m): Subject => ({ kind: 'steps', methodCode: m.code })),
		...SCALES.map((scale): Subject => ({ kind: 'scale', scale }))
	]);
	const items = $derived(
		subjects.map((s) => ({
			value: subjectKey(s),
			name:
				s.kind === 'scale'
					? `Scale: ${SCALE_NAMES[s.scale]}`
					: s.kind === 'steps'
						? `Steps: ${subjectName(s, methods)}`
						: `End point: ${subjectName(s, methods)}`
		}))
	);
	let kit = $state(untrack(() => practice.methods[0]?.code ?? ''));
	const method = $derived(methods.find((m) => m.code === kit) ?? methods[0]);
	const steps = $derived(method ? stepsFor(method, 'full') : []);
</script>

<main class="page max-w-[64rem]!">
	<p class="label"><a class="link" href={base}>Practice</a> · Mentor</p>
	<h1 class="mt-1 text-3xl leading-tight md:text-4xl">What a mentor sees at a glance</h1>

	<TwoReaders {methods} />

	<section class="mt-10" aria-labelledby="agreed-title">
		<h2 id="agreed-title" class="text-xl">Those who agreed to be seen</h2>
		{#each practice.others as other (other.memberId)}
			<article class="mt-3 border-t pt-3">
				<h3 class="font-semibold">
					{other.name}
					<span class="small font-normal text-muted"
						>{other.lastAt === null
							? 'has not practised yet'
							: `practised ${ago(other.lastAt, timeZone, now)}`}</span
					>
				</h3>
				<div class="grid gap-x-8 sm:grid-cols-2">
					{#each other.eyes as eye (subjectKey(eye.subject))}
						{@const words = biasWords(eye, eye.subject.kind === 'scale')}
						<div class="py-2">
							<p class="figures">
								{subjectName(eye.subject, methods)}: <strong>{words.value} ± {words.plusMinus}</strong>
								{words.sense}, {eye.errors.length} answers
							</p>
							<ErrorDots
								middle={eye.subject.kind === 'scale' ? 'where it stands' : 'the change'}
								errors={eye.errors}
								bias={eye.onScreen.bias}
								ends={eye.subject.kind === 'scale' ? ['low', 'high'] : ['early', 'late']}
							/>
						</div>
					{/each}
					{#each other.steps as { methodCode, pairs } (methodCode)}
						{@const mixed = pairs.filter((p) => p.verdict === 'mixed up').length}
						<p class="py-2">
							{subjectName({ kind: 'steps', methodCode }, methods)}:
							<strong
								>{mixed === 0
									? 'tells its steps apart'
									: `takes ${mixed} ${mixed === 1 ? 'pair' : 'pairs'} for each other`}</strong
							>
						</p>
					{/each}
				</div>
			</article>
		{:else}
			<p class="mt-2 text-muted">Nobody yet. Each says so for themselves, on the page Practice.</p>
		{/each}
	</section>

	{#if practice.lessons.length > 0}
		<section class="mt-10" aria-labelledby="lessons-title">
			<h2 id="lessons-title" class="text-xl">Lessons</h2>
			<ul class="mt-2">
				{#each practice.lessons as lesson (lesson.id)}
					<li class="flex flex-wrap justify-between gap-x-4 border-t py-2">
						<span
							><strong>{lesson.forName}</strong>: {subjectName(lesson.subject, methods)}{lesson.note
								? `, “${lesson.note}”`
								: ''}</span
						>
						<span class="small figures text-muted"
							>{lesson.done} of {lesson.vials}, set {shortDay(lesson.at, timeZone, now)} by {lesson.by}</span
						>
					</li>
				{/each}
			</ul>
		</section>
	{/if}

	{#if mentors}
		<section class="mt-10" aria-labelledby="set-title">
			<h2 id="set-title" class="text-xl">Set a lesson</h2>
			{#if practice.members.length === 0}
				<p class="mt-2 text-muted">Nobody else belongs to this house. Invite somebody under People.</p>
			{:else}
				<form method="post" action="?/lesson" use:enhance class="mt-3 flex flex-wrap items-end gap-4">
					<Hidden name="id" value={id} />
					<Choice
						label="For"
						name="forMember"
						items={practice.members.map((m) => ({ value: m.id, name: m.name }))}
						class="w-48"
					/>
					<Choice label="What" name="subject" {items} class="w-72" />
					<Field label="How often" name="vials" value="8" inputmode="numeric" class="w-24" />
					<Field label="A word with it" name="note" maxlength={500} class="w-72" />
					<Button kind="primary" type="submit">Set it</Button>
				</form>
			{/if}
		</section>
		<section class="mt-10" aria-labelledby="note-title">
			<h2 id="note-title" class="text-xl">A note at a step</h2>
			<p class="small mt-1 text-muted">
				It stands there whoever runs the kit, in this house. An empty one takes it away.
			</p>
			<form method="post" action="?/note" use:enhance class="mt-3 flex flex-wrap items-end gap-4">
				<Hidden name="id" value={id} />
				<Choice
					label="Kit"
					name="methodCode"
					items={methods.map((m) => ({ value: m.code, name: m.name }))}
					bind:value={kit}
					class="w-64"
				/>
				<Choice
					label="Step"
					name="stepId"
					items={steps.map((s) => ({ value: s.id, name: s.say }))}
					class="w-80"
				/>
				<Field label="Note" name="note" maxlength={500} class="w-80" />
				<Button type="submit">Leave it there</Button>
			</form>
			{#if practice.stepNotes.length > 0}
				<ul class="mt-3">
					{#each practice.stepNotes as note (note.methodCode + note.stepId)}
						{@const of = methods.find((m) => m.code === note.methodCode)}
						<li class="border-t py-2">
							<strong>{of?.name ?? note.methodCode}</strong>, {of
								? stepsFor(of, 'full').find((s) => s.id === note.stepId)?.say
								: ''}:
							{note.note} <span class="small text-muted">{note.by}</span>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
	{/if}
</main>
