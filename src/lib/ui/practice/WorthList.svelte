<script lang="ts">
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { subjectKey, type Subject } from '$lib/core/practice';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { biasWords, percent, subjectName, subjectPath, tallyWords } from '$lib/format/practice/practice';

	interface Props {
		practice: PracticeAnswer;
		base: string;
		timeZone: string;
		now: Instant;
	}
	let { practice, base, timeZone, now }: Props = $props();

	const SHOWN = 4;
	interface Row {
		readonly href: string;
		readonly name: string;
		readonly says: string;
		readonly warns?: boolean;
	}
	const seen = $derived((subject: Subject) =>
		practice.me.eyes.find((e) => subjectKey(e.subject) === subjectKey(subject))
	);
	const worth = $derived(
		practice.me.next.slice(0, SHOWN).map((w): Row => {
			const eye = seen(w.subject);
			const gain = `could narrow it by ${percent(w.narrower)}`;
			return {
				href: `${base}/${subjectPath(w.subject)}`,
				name: subjectName(w.subject, practice.methods),
				says: eye
					? w.dueAt <= now
						? `due again, ${gain}`
						: `again ${shortDay(w.dueAt, timeZone, now)}`
					: `never, ${gain}`
			};
		})
	);
	/** Steps and scales, as far as they are known. */
	const others = $derived.by((): Row[] => {
		const rows: Row[] = practice.me.steps.map(({ methodCode, pairs, asked }) => {
			const method = practice.methods.find((m) => m.code === methodCode);
			const mixed = pairs.filter((p) => p.verdict === 'mixed up');
			const steps = method && 'colourSteps' in method ? method.colourSteps : [];
			const named = mixed.map((p) => `${steps[p.pair]?.value} from ${steps[p.pair + 1]?.value}`).join(', ');
			return {
				href: `${base}/steps?kit=${encodeURIComponent(methodCode)}`,
				name: method?.name ?? methodCode,
				says: mixed.length > 0 ? `does not tell ${named}` : `tells its steps, so far (${asked} answers)`,
				warns: mixed.length > 0
			};
		});
		for (const eye of practice.me.eyes.filter((e) => e.subject.kind === 'scale')) {
			const { value, sense } = biasWords(eye, true);
			rows.push({
				href: `${base}/${subjectPath(eye.subject)}`,
				name: subjectName(eye.subject, practice.methods),
				says: `${value} ${sense}, ${eye.errors.length} read`
			});
		}
		const { disturbed } = practice.me.counting;
		if (disturbed.of > 0)
			rows.push({ href: `${base}/count`, name: 'Counting while disturbed', says: tallyWords(disturbed) });
		return rows;
	});
</script>

{#snippet list(title: string, rows: readonly Row[])}
	{#if rows.length > 0}
		<section class="mt-8">
			<h2 class="label">{title}</h2>
			<ul>
				{#each rows as { href, name, says, warns = false } (href)}
					<li class="border-t">
						<a {href} class="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-2 hover:bg-slot">
							<span class="font-semibold">{name}</span>
							<span class="small figures {warns ? 'font-semibold text-warn' : 'text-muted'}">{says}</span>
						</a>
					</li>
				{/each}
			</ul>
		</section>
	{/if}
{/snippet}

{@render list('What is worth practising', worth)}
{@render list('What you know of it', others)}
