import type { PhotographType } from '$lib/contract/photograph';

const text = (bytes: Uint8Array, from: number, length: number) =>
	String.fromCharCode(...bytes.subarray(from, from + length));

/** What a file is by its own first bytes, whatever it is called; null where it is none of the pictures taken. */
export function pictureType(bytes: Uint8Array): PhotographType | null {
	if (bytes.length < 16) return null;
	if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg';
	if (bytes[0] === 0x89 && text(bytes, 1, 3) === 'PNG') return 'image/png';
	if (text(bytes, 0, 4) === 'RIFF' && text(bytes, 8, 4) === 'WEBP') return 'image/webp';
	return null;
}

const big = (bytes: Uint8Array, at: number) => new DataView(bytes.buffer, bytes.byteOffset).getUint32(at);
const little = (bytes: Uint8Array, at: number) =>
	new DataView(bytes.buffer, bytes.byteOffset).getUint32(at, true);

function join(parts: readonly Uint8Array[]): Uint8Array {
	const joined = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
	let at = 0;
	for (const part of parts) {
		joined.set(part, at);
		at += part.length;
	}
	return joined;
}

/** Markers that stand alone, without a length: restarts, and the end. */
const isAlone = (marker: number) => marker >= 0xd0 && marker <= 0xd9;
const END = 0xd9;

/** The first byte behind the coded picture that begins here; in it every 0xff is followed by 0 or a restart. */
function behindScan(bytes: Uint8Array, from: number): number {
	let at = from;
	while (at + 1 < bytes.length) {
		const next = bytes[at + 1]!;
		if (bytes[at] === 0xff && next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return at;
		at++;
	}
	return bytes.length;
}

/** Application data and comments go, all that is needed to draw it stays, and nothing that follows its end. */
function plainJpeg(bytes: Uint8Array): Uint8Array | null {
	const parts: Uint8Array[] = [bytes.subarray(0, 2)];
	let at = 2;
	while (at + 2 <= bytes.length && bytes[at] === 0xff) {
		const marker = bytes[at + 1]!;
		if (isAlone(marker)) {
			parts.push(bytes.subarray(at, at + 2));
			if (marker === END) return join(parts);
			at += 2;
			continue;
		}
		if (at + 4 > bytes.length) return null;
		const head = at + 2 + bytes[at + 2]! * 256 + bytes[at + 3]!;
		const end = marker === 0xda ? behindScan(bytes, head) : head;
		if (end > bytes.length) return null;
		const isMetadata = (marker >= 0xe1 && marker <= 0xef) || marker === 0xfe;
		if (!isMetadata) parts.push(bytes.subarray(at, end));
		at = end;
	}
	return null;
}

const PNG_METADATA = new Set(['tEXt', 'zTXt', 'iTXt', 'eXIf', 'tIME']);

function plainPng(bytes: Uint8Array): Uint8Array | null {
	const parts: Uint8Array[] = [bytes.subarray(0, 8)];
	let at = 8;
	while (at + 12 <= bytes.length) {
		const end = at + 12 + big(bytes, at);
		if (end > bytes.length) return null;
		const name = text(bytes, at + 4, 4);
		if (!PNG_METADATA.has(name)) parts.push(bytes.subarray(at, end));
		if (name === 'IEND') return join(parts);
		at = end;
	}
	return null;
}

/** What a picture is drawn from; whatever else a file holds is left out. */
const WEBP_PICTURE = new Set(['VP8 ', 'VP8L', 'VP8X', 'ALPH', 'ICCP']);

function plainWebp(bytes: Uint8Array): Uint8Array | null {
	const parts: Uint8Array[] = [];
	const whole = Math.min(bytes.length, little(bytes, 4) + 8);
	let at = 12;
	while (at + 8 <= whole) {
		const length = little(bytes, at + 4);
		const end = Math.min(whole, at + 8 + length + (length % 2));
		if (at + 8 + length > whole) return null;
		const name = text(bytes, at, 4);
		if (WEBP_PICTURE.has(name)) {
			const chunk = bytes.slice(at, end);
			// The flags of the header say whether metadata follows: it does not any more.
			if (name === 'VP8X') chunk[8] = chunk[8]! & ~0x0c;
			parts.push(chunk);
		}
		at = end;
	}
	if (parts.length === 0) return null;
	const body = join(parts);
	const head = bytes.slice(0, 12);
	new DataView(head.buffer).setUint32(4, body.length + 4, true);
	return join([head, body]);
}

/**
 * The picture without what it says of place, device and time: EXIF, XMP, comments and maker's notes are left out byte
 * by byte, the picture itself is not touched.
 *
 * @returns null where the file is cut off or no picture
 * @see ITU-T T.81, annex B; PNG (third edition), 11.3; the RIFF container of WebP
 */
export function plainPicture(
	bytes: Uint8Array
): { readonly type: PhotographType; readonly bytes: Uint8Array } | null {
	const type = pictureType(bytes);
	if (type === null) return null;
	const plain = { 'image/jpeg': plainJpeg, 'image/png': plainPng, 'image/webp': plainWebp }[type](bytes);
	return plain && { type, bytes: plain };
}
