<script lang="ts">
	import { onDestroy, onMount } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import { canRecord, madePlain, record, type Recording } from '$lib/client/voice';
	import { MOST_VOICE_NOTES, VOICE_NOTE } from '$lib/contract/lengths';
	import { faultText } from '$lib/format/faults/faults';
	import Button from '$lib/ui/kit/Button.svelte';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import Fault from './Fault.svelte';
	import TakeBack from './TakeBack.svelte';
	import { clockOf } from './context';
	import { KeptBeside } from './kept-beside.svelte';

	interface Props {
		waterId: string;
		runId: string;
		/** Those that are kept. */
		kept: readonly string[];
		/** What they are of, for those who do not see where they stand. */
		what: string;
	}
	let { waterId, runId, kept, what }: Props = $props();

	const beside = new KeptBeside(
		() => waterId,
		() => ({ run: runId }),
		() => kept,
		idMaker(clockOf())
	);
	/** Known in the browser only. */
	let speaks = $state(false);
	onMount(() => {
		speaks = canRecord();
	});
	let recording = $state.raw<Recording | null>(null);
	let beginning = $state(false);
	let saidS = $state(0);
	let ticking: ReturnType<typeof setInterval> | undefined;
	/** What is listened to, fetched whole: no browser has to ask for parts of it. */
	let playing = $state<{ readonly id: string; readonly url: string } | null>(null);

	const NO_MICROPHONE =
		'The microphone is not there or not allowed. Allow it for this page, or write a note.';

	async function begin(): Promise<void> {
		beside.fault = '';
		beginning = true;
		try {
			recording = await record();
			saidS = 0;
			ticking = setInterval(() => {
				saidS++;
				if (saidS >= VOICE_NOTE.longestS) void end();
			}, 1000);
		} catch {
			beside.fault = NO_MICROPHONE;
		}
		beginning = false;
	}

	async function end(): Promise<void> {
		clearInterval(ticking);
		const ended = recording;
		recording = null;
		if (ended) await take(await ended.stop());
	}

	async function take(sound: Blob): Promise<boolean> {
		const plain = await madePlain(sound);
		if (plain) await beside.keep(plain);
		else beside.fault = faultText({ code: 'not-a-recording' });
		return false;
	}

	function stopPlaying(): void {
		if (playing) URL.revokeObjectURL(playing.url);
		playing = null;
	}

	async function play(id: string): Promise<void> {
		stopPlaying();
		beside.fault = '';
		try {
			const response = await fetch(`/waters/${waterId}/photographs/${id}`);
			if (!response.ok) throw new Error(response.statusText);
			playing = { id, url: URL.createObjectURL(await response.blob()) };
		} catch {
			beside.fault = 'The note cannot be fetched now. Try again when the server is back.';
		}
	}

	onDestroy(() => {
		clearInterval(ticking);
		void recording?.stop();
		stopPlaying();
	});
</script>

{#if beside.all.length > 0}
	<ul class="flex flex-wrap gap-x-6 gap-y-2" aria-label="Voice notes of {what}">
		{#each beside.all as id, i (id)}
			<li class="flex flex-wrap items-center gap-x-3">
				{#if playing?.id === id}
					<audio controls autoplay src={playing.url} aria-label="Voice note {i + 1} of {what}"></audio>
				{:else}
					<Button onclick={() => void play(id)}>Listen to voice note {i + 1}</Button>
				{/if}
				<TakeBack {beside} {id} what="voice note {i + 1}" />
			</li>
		{/each}
	</ul>
{/if}
{#if beside.all.length < MOST_VOICE_NOTES}
	<div class="mt-2">
		{#if recording}
			<Button kind="primary" size="large" onclick={() => void end()}>Stop, keep the note ({saidS} s)</Button>
		{:else if speaks}
			<Button disabled={beside.sending || beginning} onclick={() => void begin()}>
				{beside.sending ? 'Sending …' : beside.all.length > 0 ? 'Say another note' : 'Say a note'}
			</Button>
		{:else}
			<FileField
				label={beside.sending ? 'Sending …' : 'Record or choose a voice note'}
				accept="audio/*"
				disabled={beside.sending}
				onfile={take}
			/>
		{/if}
		<p class="small mt-1 text-muted">
			At most a minute. It stands beside what was read and never changes it.
		</p>
	</div>
{/if}
{#if beside.fault}<div class="mt-2"><Fault text={beside.fault} /></div>{/if}
