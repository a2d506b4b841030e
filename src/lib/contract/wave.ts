import { VOICE_NOTE } from './lengths.ts';

const HEAD = 44;
export const PCM = 1;
export const BYTES_A_SAMPLE = 2;

/**
 * A voice note as a file: samples of 16 bits of one channel, low byte first, behind the head that tells how they are
 * played.
 *
 * @see Multimedia Programming Interface and Data Specifications 1.0 (1991), the WAVE form of RIFF
 */
export function waveOf(samples: Uint8Array): Uint8Array<ArrayBuffer> {
	const { rateHz } = VOICE_NOTE;
	const whole = new Uint8Array(HEAD + samples.length);
	const view = new DataView(whole.buffer);
	const name = (at: number, letters: string) => whole.set(new TextEncoder().encode(letters), at);
	name(0, 'RIFF');
	view.setUint32(4, whole.length - 8, true);
	name(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, PCM, true);
	view.setUint16(22, 1, true);
	view.setUint32(24, rateHz, true);
	view.setUint32(28, rateHz * BYTES_A_SAMPLE, true);
	view.setUint16(32, BYTES_A_SAMPLE, true);
	view.setUint16(34, 8 * BYTES_A_SAMPLE, true);
	name(36, 'data');
	view.setUint32(40, samples.length, true);
	whole.set(samples, HEAD);
	return whole;
}
