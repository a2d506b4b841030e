// Ports at which no browser opens a page, since other services speak there.

/** @see Fetch Standard, section 2.9 (port blocking), from 1024 on */
const BLOCKED = new Set([
	1719, 1720, 1723, 2049, 3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669, 6679, 6697,
	10080
]);
/** Below are those of old services, most of which are refused as well. */
const FIRST = 1024;
/** A proxy's own. */
const USUAL = new Set([80, 443]);

/** Whether browsers open pages at a port. */
export function browsersOpen(port) {
	return USUAL.has(port) || (port >= FIRST && !BLOCKED.has(port));
}

/** Where one's own Tevrik and the demo are served by themselves; the house takes the port behind. */
export const OWN_PORT = 4280;
export const DEMO_PORT = 4180;
