import { VOICE_NOTE } from '$lib/contract/lengths';
import { BYTES_A_SAMPLE, PCM, waveOf } from '$lib/contract/wave';
import { fail, ok, type Result } from '$lib/core/result';

const text = (bytes: Uint8Array, from: number) => String.fromCharCode(...bytes.subarray(from, from + 4));

/** Whether a file begins as a sound of the RIFF container does, whatever it is called. */
export const isSound = (bytes: Uint8Array): boolean =>
	bytes.length >= 12 && text(bytes, 0) === 'RIFF' && text(bytes, 8) === 'WAVE';

/** The chunks of a container by their names; null where one reaches beyond its end. */
function chunksOf(bytes: Uint8Array): ReadonlyMap<string, Uint8Array> | null {
	const chunks = new Map<string, Uint8Array>();
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
	let at = 12;
	while (at + 8 <= bytes.length) {
		const length = view.getUint32(at + 4, true);
		const from = at + 8;
		if (from + length > bytes.length) return null;
		if (!chunks.has(text(bytes, at))) chunks.set(text(bytes, at), bytes.subarray(from, from + length));
		at = from + length + (length % 2);
	}
	return chunks;
}

/**
 * A voice note as plain samples, written anew: one channel of 16 bits at a rate that speech needs. Whatever else the
 * file holds (device, time, place) is left out.
 *
 * @returns `not-a-recording` for anything else, `too-large` beyond the longest note
 * @see Multimedia Programming Interface and Data Specifications 1.0 (1991), the WAVE form of RIFF
 */
export function plainSound(bytes: Uint8Array): Result<Uint8Array> {
	const chunks = chunksOf(bytes);
	const format = chunks?.get('fmt ');
	const samples = chunks?.get('data');
	if (!format || format.length < 16 || !samples) return fail('not-a-recording', 'photograph');
	const said = new DataView(format.buffer, format.byteOffset, format.length);
	const rateHz = said.getUint32(4, true);
	const isPlain =
		said.getUint16(0, true) === PCM &&
		said.getUint16(2, true) === 1 &&
		said.getUint16(14, true) === 8 * BYTES_A_SAMPLE &&
		rateHz === VOICE_NOTE.rateHz;
	if (!isPlain || samples.length === 0 || samples.length % BYTES_A_SAMPLE !== 0) {
		return fail('not-a-recording', 'photograph');
	}
	if (samples.length > VOICE_NOTE.longestS * rateHz * BYTES_A_SAMPLE) {
		return fail('too-large', 'photograph', { most: VOICE_NOTE.longestS, unit: 'seconds' });
	}
	return ok(waveOf(samples));
}
