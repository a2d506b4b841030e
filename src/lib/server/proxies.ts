import { BlockList, isIP } from 'node:net';

const FORWARDED = 'x-forwarded-for';

/** An address without the mark of version 6 around one of version 4, and without a port. */
function plainAddress(text: string): string {
	const bare = text.trim().replace(/^\[(.*)\](:\d+)?$/, '$1');
	const own = /^(\d+\.\d+\.\d+\.\d+):\d+$/.exec(bare)?.[1] ?? bare;
	return own.replace(/^::ffff:(?=\d+\.\d+\.\d+\.\d+$)/i, '');
}

const family = (address: string) => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

/**
 * The proxies whose word is taken for where a request came from.
 *
 * @param text addresses or networks between commas, such as `127.0.0.1, 10.0.0.0/8`; nothing: no proxy is believed
 * @throws {Error} where one of them is no address
 */
export function trustedProxies(text: string | undefined): BlockList {
	const list = new BlockList();
	for (const one of (text ?? '').split(',').map((t) => t.trim())) {
		if (one === '') continue;
		const [address = '', bits] = one.split('/');
		const most = isIP(address) === 6 ? 128 : 32;
		const width = bits === undefined ? most : Number(bits);
		if (isIP(address) === 0 || !Number.isInteger(width) || width < 0 || width > most) {
			throw new Error(
				`TEVRIK_PROXIES: "${one}" is no address. Give addresses or networks such as 127.0.0.1, 10.0.0.0/8`
			);
		}
		list.addSubnet(address, width, family(address));
	}
	return list;
}

/**
 * Where a request came from. What a header says of it is believed only as far as a trusted proxy added it: read from the
 * end, the first address that is no such proxy is the client's.
 *
 * @param peer the other end of the connection itself
 */
export function clientAddress(peer: string, headers: Headers, proxies: BlockList): string {
	const isTrusted = (address: string) => isIP(address) !== 0 && proxies.check(address, family(address));
	let client = plainAddress(peer);
	const said = (headers.get(FORWARDED) ?? '').split(',').map(plainAddress);
	while (isTrusted(client)) {
		const before = said.pop();
		if (before === undefined || isIP(before) === 0) break;
		client = before;
	}
	return client;
}
