// Names and addresses under which this machine is reached in the house.
import { hostname, networkInterfaces } from 'node:os';

/** Addresses that a home network gives out (RFC 1918, RFC 3927, RFC 6598). Others would be reached from anywhere. */
const OF_THE_HOUSE = [
	/^10\./,
	/^192\.168\./,
	/^172\.(1[6-9]|2\d|3[01])\./,
	/^169\.254\./,
	/^100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7])\./
];

export function houseAddresses(interfaces = networkInterfaces()) {
	const all = Object.values(interfaces)
		.flat()
		.filter((i) => i && !i.internal && i.family === 'IPv4');
	return all.map((i) => i.address).filter((address) => OF_THE_HOUSE.some((r) => r.test(address)));
}

/** Its name, plain and as a home network announces it by multicast (RFC 6762). */
export function houseNames(host = hostname()) {
	const plain = host.toLowerCase().split('.')[0] ?? '';
	return /^[a-z0-9][a-z0-9-]*$/.test(plain) && plain !== 'localhost' ? [plain, `${plain}.local`] : [];
}
