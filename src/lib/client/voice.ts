import { VOICE_NOTE } from '$lib/contract/lengths';
import { BYTES_A_SAMPLE, waveOf } from '$lib/contract/wave';

/** Whether the page may ask for the microphone at all: only over https, or on the machine itself. */
export const canRecord = (): boolean =>
	typeof MediaRecorder !== 'undefined' && navigator.mediaDevices?.getUserMedia !== undefined;

export interface Recording {
	/** Ends it; the sound as the browser wrote it. */
	readonly stop: () => Promise<Blob>;
}

/** Begins to record. @throws {DOMException} where the microphone is refused or absent */
export async function record(): Promise<Recording> {
	const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
	const recorder = new MediaRecorder(stream);
	const parts: Blob[] = [];
	recorder.addEventListener('dataavailable', (event) => parts.push(event.data));
	recorder.start();
	return {
		stop: () =>
			new Promise((done) => {
				recorder.addEventListener('stop', () => {
					stream.getTracks().forEach((track) => track.stop());
					done(new Blob(parts, { type: recorder.mimeType }));
				});
				recorder.stop();
			})
	};
}

/**
 * A recording made plain: decoded, brought to one channel at the rate of speech, and written as samples, so that
 * nothing but the sound is left of the file. What goes beyond the longest note is left out.
 *
 * @returns null where the browser cannot read it as a sound
 */
export async function madePlain(sound: Blob): Promise<Blob | null> {
	const { rateHz, longestS } = VOICE_NOTE;
	try {
		// An offline context decodes without a loudspeaker and at the rate that is wanted.
		const decoded = await new OfflineAudioContext(1, 1, rateHz).decodeAudioData(await sound.arrayBuffer());
		const length = Math.min(Math.ceil(decoded.duration * rateHz), longestS * rateHz);
		if (length === 0) return null;
		const context = new OfflineAudioContext(1, length, rateHz);
		const source = context.createBufferSource();
		source.buffer = decoded;
		source.connect(context.destination);
		source.start();
		const samples = (await context.startRendering()).getChannelData(0);
		const view = new DataView(new ArrayBuffer(BYTES_A_SAMPLE * samples.length));
		samples.forEach((s, i) =>
			view.setInt16(BYTES_A_SAMPLE * i, Math.round(Math.max(-1, Math.min(1, s)) * 32_767), true)
		);
		return new Blob([waveOf(new Uint8Array(view.buffer))], { type: 'audio/wav' });
	} catch {
		return null;
	}
}
