import { isIP } from 'node:net';
import type { ReachedAt } from '$lib/contract/people';

/** Names that mean the machine itself, whoever says them. */
const HERE = /^(localhost|127\.\d+\.\d+\.\d+|\[::1\])$/;

/**
 * The address under which somebody else reaches what one gives them: the one that is asked for, unless that means this
 * machine alone and the house is served under another.
 *
 * @param house JSON of how the house is served, as whoever started the server says it
 */
export function reachedAt(
	{ origin, hostname }: Pick<URL, 'origin' | 'hostname'>,
	house: string | undefined
): ReachedAt {
	if (!HERE.test(hostname)) return { origin, who: 'anybody' };
	const { addresses = [] } = house ? (JSON.parse(house) as { addresses?: readonly string[] }) : {};
	// A number is found by every phone; a name only where the network tells it.
	const [first] = [...addresses].sort((a, b) => Number(isNumber(b)) - Number(isNumber(a)));
	return first ? { origin: new URL(first).origin, who: 'house' } : { origin, who: 'this-machine' };
}

const isNumber = (address: string) => isIP(new URL(address).hostname) !== 0;
