import QRCode from 'qrcode';

/** How the house reaches this machine, as whoever started the server found it. */
export interface House {
	/** Where a phone begins: without https, since it trusts nothing yet. */
	readonly door: string;
	/** All under which it is reached by those who trust it. */
	readonly addresses: readonly string[];
	readonly fingerprint: string;
	/** A picture of the door's address for a phone's camera. */
	readonly qr: string;
}

/**
 * Reads what `npm start -- --house` says of the house; null where the house is not served.
 *
 * @param text JSON of door, addresses and fingerprint
 */
export async function houseOf(text: string | undefined): Promise<House | null> {
	if (!text) return null;
	const said = JSON.parse(text) as Omit<House, 'qr'>;
	return {
		...said,
		qr: await QRCode.toDataURL(said.door, { errorCorrectionLevel: 'M', margin: 2, scale: 8 })
	};
}
