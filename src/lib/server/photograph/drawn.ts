import sharp from 'sharp';
import { LONGEST_KEPT_SIDE_PX } from '$lib/contract/photograph';
import { fail, ok, type Result } from '$lib/core/result';

sharp.cache(false);
// One picture at a time keeps its memory small; pictures come seldom.
sharp.concurrency(1);

/**
 * Draws a picture once, so that what is kept is one: its size first, from its head alone, then every pixel. A file that
 * is cut off, whose checksums are wrong, or that only begins like a picture is refused.
 */
export async function drawn(bytes: Uint8Array): Promise<Result<null>> {
	const options = {
		failOn: 'warning',
		limitInputPixels: LONGEST_KEPT_SIDE_PX * LONGEST_KEPT_SIDE_PX
	} as const;
	try {
		const { width, height, pages } = await sharp(bytes, { ...options, limitInputPixels: false }).metadata();
		if (width > LONGEST_KEPT_SIDE_PX || height > LONGEST_KEPT_SIDE_PX) {
			return fail('too-large', 'photograph', { most: LONGEST_KEPT_SIDE_PX, unit: 'pixels on a side' });
		}
		if ((pages ?? 1) > 1) return fail('not-a-photograph', 'photograph');
		await sharp(bytes, options).stats();
		return ok(null);
	} catch {
		return fail('not-a-photograph', 'photograph');
	}
}
