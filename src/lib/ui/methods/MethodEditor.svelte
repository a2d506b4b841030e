<script lang="ts">
	import { untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import { MAX_STEPS, type Method } from '$lib/core/method';
	import type { ParameterId } from '$lib/core/quantity';
	import { KIND_NAMES } from '$lib/format/methods/method';
	import Button from '$lib/ui/kit/Button.svelte';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import BoxFields from './BoxFields.svelte';
	import { isEnteredKind, MOST_LETTERS } from './draft/method-text';
	import { stepsOf } from './draft/protocol-of-text';
	import KindFields from './KindFields.svelte';
	import KitFields from './KitFields.svelte';
	import { MethodDraft } from './MethodDraft.svelte';
	import StepRows from './StepRows.svelte';
	import TryReading from './TryReading.svelte';

	interface Props {
		waterId: string;
		/** The method that is duplicated or revised; null for a new one. */
		from: Method | null;
		/** What a new one measures, where that is known. */
		parameter: ParameterId | null;
		/** True: the next version of that very method. */
		revises: boolean;
	}
	let { waterId, from, parameter, revises }: Props = $props();

	const newId = idMaker(clockOf());
	const id = untrack(() => newId());
	const nameOf = (old: string) => (revises ? old : `${old}, my kit`);
	const draft = untrack(() => new MethodDraft(from, nameOf, parameter ?? 'calcium'));
	/** What is no kit, a value that was stated elsewhere, is adapted as a file. */
	let asFile = $state(untrack(() => from !== null && !isEnteredKind(from.kind)));
	/** A file of somebody else's that was dropped here. */
	let dropped = $state('');
	let file = $state(
		untrack(() => (from ? JSON.stringify({ ...from, name: nameOf(from.name) }, null, '\t') : ''))
	);
	let saving = $state(false);

	const text = $derived(draft.text);
	const preview = $derived(stepsOf(text, from));

	/** A file is shown in its written form first, and checked when it is saved. */
	function take(given: File): boolean {
		if (given.size > MOST_LETTERS) {
			draft.refuse({ code: 'too-large', details: { most: MOST_LETTERS, unit: 'letters' } });
			return false;
		}
		void given.text().then((text) => {
			file = text;
			dropped = given.name;
			asFile = true;
			draft.refused = null;
		});
		return true;
	}

	function written(): Method | null {
		try {
			return JSON.parse(file) as Method;
		} catch (error) {
			return draft.refuse({ code: 'file-unreadable', details: { where: (error as Error).message } });
		}
	}
	async function save(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		draft.refused = null;
		const method = asFile ? written() : draft.method();
		if (!method || saving) return;
		saving = true;
		const answer = await send<{ code: string }>(`/api/waters/${waterId}/methods`, {
			id,
			waterId,
			method,
			revises: revises && from ? from.code : null
		});
		saving = false;
		if (answer.kind === 'ok') await goto(`/waters/${waterId}/methods/${answer.value.code}`);
		else if (answer.kind === 'refused') draft.refuse(answer.fault);
		else draft.refused = { field: '', text: answer.message };
	}
</script>

<main class="page max-w-[72rem]!">
	<p class="label"><a class="link" href="/waters/{waterId}/methods">Methods and kits</a></p>
	<h1 class="mt-2 text-3xl">
		{revises ? `Change ${from?.name}` : from ? `Adapt ${from.name}` : 'Enter a kit from its leaflet'}
	</h1>
	{#if revises}<p class="mt-1 text-muted">
			It becomes the next version. What was read by older ones keeps them until you derive it again.
		</p>{/if}

	<form onsubmit={save} class="mt-6" novalidate>
		{#if asFile}
			<p class="max-w-[44rem]">
				{dropped
					? `${dropped}, as it was written. It becomes a method of your own when you save it;`
					: `${from ? KIND_NAMES[from.kind] : ''} is adapted in its written form. Change what is different in your kit;`}
				what does not fit is said with its place.
			</p>
			<TextArea
				bind:value={file}
				rows={28}
				spellcheck={false}
				label="Method in its written form"
				bare
				class="mt-3"
				look="figures font-mono"
			/>
		{:else}
			{#if !from}
				<FileField
					name="file"
					label="Or a method file, dropped here"
					accept="application/json,.json"
					onfile={take}
					class="mb-7 max-w-[40rem]"
				/>
			{/if}
			<div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
				<div class="space-y-5">
					<KitFields {draft} />
					<KindFields {draft} />
				</div>

				<div>
					<TextArea
						name="steps"
						label="The steps, as the leaflet has them"
						help="One after another, with a semicolon or a new line between; at most {MAX_STEPS}.{text.halfMl.trim() ===
						''
							? ''
							: ' With half the sample: “6 drops A (half sample: 3)”.'}"
						rows={5}
						value={text.steps}
						oninput={(e) => draft.set({ steps: e.currentTarget.value.slice(0, MOST_LETTERS) })}
						placeholder="3 drops A; swirl 10 s; wait exactly 4 min; titrate with B until blue"
					/>
					<StepRows rows={preview} onchange={(steps) => draft.set({ steps })} fullMl={text.fullMl} />
					<BoxFields {draft} />
					<TryReading {draft} />
				</div>
			</div>
		{/if}
		<!-- The field itself may be out of sight. -->
		{#if draft.refused}<div class="mt-6 max-w-[44rem]"><Fault text={draft.refused.text} /></div>{/if}
		<div class="mt-6 flex flex-wrap gap-3">
			<Button kind="primary" type="submit" size="large" disabled={saving}
				>{saving ? 'Saving …' : revises ? 'Save the next version' : 'Save the method'}</Button
			>
			<Button kind="quiet" size="large" href="/waters/{waterId}/methods">Leave it</Button>
		</div>
	</form>
</main>
