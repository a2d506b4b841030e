import { LONGEST_SIDE_PX } from '$lib/contract/lengths';
import { send, type Answer } from './api';

const QUALITY = 0.82;

/**
 * A photograph made small: drawn anew on a canvas, so that nothing but the picture is left of the file.
 *
 * @returns null where the browser cannot read it as a picture
 */
export async function madeSmall(file: Blob): Promise<Blob | null> {
	let picture: ImageBitmap;
	try {
		picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
	} catch {
		return null;
	}
	const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(picture.width, picture.height));
	const canvas = document.createElement('canvas');
	canvas.width = Math.max(1, Math.round(picture.width * scale));
	canvas.height = Math.max(1, Math.round(picture.height * scale));
	canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
	picture.close();
	return new Promise((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
}

/** Sends a photograph of a run or of a thing on the shelf. */
export async function sendPhotograph(
	waterId: string,
	id: string,
	of: { readonly run: string } | { readonly item: string },
	photograph: Blob
): Promise<Answer<{ readonly photographId: string }>> {
	const query = new URLSearchParams({ id, ...of });
	try {
		const response = await fetch(`/api/waters/${waterId}/photographs?${query}`, {
			method: 'POST',
			headers: { 'content-type': photograph.type },
			body: photograph
		});
		const body = (await response.json().catch(() => null)) as
			{ value: { photographId: string } } | { fault: never } | null;
		if (body && 'value' in body) return { kind: 'ok', value: body.value };
		if (body && 'fault' in body) return { kind: 'refused', fault: body.fault };
	} catch {
		// Falls through to "away".
	}
	return { kind: 'away', message: 'The photograph could not be sent. Try again when the server is back.' };
}

/** Takes a photograph back that should not have been kept. */
export const takePhotographBack = (waterId: string, id: string, photographId: string) =>
	send<{ readonly photographId: string }>(`/api/waters/${waterId}/photographs/withdrawals`, {
		id,
		waterId,
		photographId
	});
