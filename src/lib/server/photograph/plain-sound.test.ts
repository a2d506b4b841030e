import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { VOICE_NOTE } from '$lib/contract/lengths';
import { waveOf } from '$lib/contract/wave';
import { isSound, plainSound } from './plain-sound.ts';

const note = (samples: number) => waveOf(Uint8Array.from({ length: 2 * samples }, (_, i) => i % 251));
/** The same with a chunk that says where it was recorded, before or behind its samples. */
function withPlace(whole: Uint8Array, isBehind: boolean): Uint8Array {
	const chunk = new TextEncoder().encode('LIST....GPS of the lobby');
	new DataView(chunk.buffer).setUint32(4, chunk.length - 8, true);
	const at = isBehind ? whole.length : 36;
	return Uint8Array.from([...whole.subarray(0, at), ...chunk, ...whole.subarray(at)]);
}
const code = (bytes: Uint8Array) => {
	const plain = plainSound(bytes);
	return plain.ok ? 'ok' : plain.fault.code;
};
const changed = (at: number, to: number) => {
	const bytes = note(100);
	bytes[at] = to;
	return bytes;
};

describe('a voice note', () => {
	it.each([true, false])('is its samples and nothing else that the file says', (isBehind) => {
		const plain = plainSound(withPlace(note(100), isBehind));
		expect(plain).toEqual({ ok: true, value: note(100) });
	});
	it('is refused where it is cut off, empty, in other samples, or longer than a minute', () => {
		expect(code(note(100).subarray(0, 100))).toBe('not-a-recording');
		expect(code(note(0))).toBe('not-a-recording');
		expect(code(note(100).subarray(0, 12))).toBe('not-a-recording');
		expect(code(changed(20, 3))).toBe('not-a-recording');
		expect(code(changed(22, 2))).toBe('not-a-recording');
		expect(code(changed(24, 1))).toBe('not-a-recording');
		expect(code(changed(34, 8))).toBe('not-a-recording');
		expect(code(note(VOICE_NOTE.rateHz * VOICE_NOTE.longestS))).toBe('ok');
		expect(code(note(VOICE_NOTE.rateHz * VOICE_NOTE.longestS + 1))).toBe('too-large');
	});
	it('never breaks, whatever follows the name of its container', () => {
		fc.assert(
			fc.property(fc.uint8Array({ maxLength: 120 }), (rest) => {
				const bytes = Uint8Array.from([...note(20).subarray(0, 12), ...rest]);
				expect(isSound(bytes)).toBe(true);
				expect(['ok', 'not-a-recording']).toContain(code(bytes));
			})
		);
	});
});
