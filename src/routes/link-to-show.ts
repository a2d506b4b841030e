import QRCode from 'qrcode';
import type { LinkToShow } from '$lib/contract/people';
import { reachedAt } from '$lib/server/reached-at';

/** A link to hold up at the tank, by the address under which others reach it. */
export async function linkToShow(url: URL, path: string): Promise<LinkToShow> {
	const { origin, who } = reachedAt(url, process.env.TEVRIK_HOUSE_DOOR);
	const address = `${origin}${path}`;
	return {
		address,
		qr: await QRCode.toDataURL(address, { errorCorrectionLevel: 'M', margin: 2, scale: 8 }),
		who
	};
}
