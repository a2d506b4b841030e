import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pictureType, plainPicture } from './plain-picture';

const bytes = (...parts: (number[] | string)[]) =>
	Uint8Array.from(parts.flatMap((p) => (typeof p === 'string' ? [...p].map((c) => c.charCodeAt(0)) : p)));
const segment = (marker: number, content: string) => [
	0xff,
	marker,
	(content.length + 2) >> 8,
	(content.length + 2) & 255,
	...[...content].map((c) => c.charCodeAt(0))
];
const chunk = (name: string, content: string) => [
	0,
	0,
	0,
	content.length,
	...[...(name + content)].map((c) => c.charCodeAt(0)),
	1,
	2,
	3,
	4
];
const riff = (name: string, content: string) => [
	...[...name].map((c) => c.charCodeAt(0)),
	content.length,
	0,
	0,
	0,
	...[...content].map((c) => c.charCodeAt(0))
];
const said = (plain: Uint8Array) => String.fromCharCode(...plain);
const JPEG = bytes(
	[0xff, 0xd8],
	segment(0xe0, 'JFIF.'),
	segment(0xe1, 'Exif..GPS 38.7N a phone'),
	segment(0xdb, 'table'),
	segment(0xfe, 'comment'),
	[0xff, 0xda, 0, 2],
	'picture',
	[0xff, 0xd9]
);
const PNG = bytes(
	[0x89],
	'PNG\r\n',
	[0x1a],
	'\n',
	chunk('IHDR', 'size'),
	chunk('eXIf', 'GPS'),
	chunk('tEXt', 'where'),
	chunk('IDAT', 'picture'),
	chunk('IEND', '')
);
const WEBP = bytes(
	'RIFF',
	[60, 0, 0, 0],
	'WEBP',
	riff('VP8X', '\x0c234567890'),
	riff('VP8 ', 'pict'),
	riff('EXIF', 'GPS.'),
	riff('XMP ', 'here')
);

describe('a photograph', () => {
	it.each([
		['image/jpeg', JPEG],
		['image/png', PNG],
		['image/webp', WEBP]
	])('%s loses place and device, and keeps its picture', (type, file) => {
		const plain = plainPicture(file)!;
		expect(plain.type).toBe(type);
		expect(said(plain.bytes)).toContain('pict');
		expect(said(plain.bytes)).not.toMatch(/GPS|comment|where|here|phone/);
		// Once plain it stays as it is.
		expect(plainPicture(plain.bytes)?.bytes).toEqual(plain.bytes);
	});
	it('has a WebP header that fits what is left', () => {
		const plain = plainPicture(WEBP)!.bytes;
		expect(new DataView(plain.buffer).getUint32(4, true)).toBe(plain.length - 8);
		expect(plain[20]! & 0x0c).toBe(0);
	});
	it('is told by its bytes, not by its name, and never lets anything else in', () => {
		expect(pictureType(bytes('<svg onload=alert(1)>'))).toBeNull();
		expect(pictureType(bytes('GIF89a..............'))).toBeNull();
		expect(plainPicture(new Uint8Array(0))).toBeNull();
		fc.assert(
			fc.property(fc.constantFrom(JPEG, PNG, WEBP), fc.nat(40), (file, length) => {
				// Cut off anywhere before its picture it is refused, not half kept.
				const plain = plainPicture(file.subarray(0, length));
				if (plain) expect(said(plain.bytes)).not.toMatch(/GPS/);
			})
		);
	});
});
