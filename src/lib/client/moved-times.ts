/** Fields that say when something happened, by the device's clock; when something is due is no such time. */
const HAPPENED = new Set(['at', 'drawnAt', 'startedAt', 'finishedAt', 'happenedAt', 'mixedAt']);

/** The same command with every time at which something happened moved, as if the device's clock had been right. */
export function movedTimes(command: unknown, byMs: number): unknown {
	if (Array.isArray(command)) return command.map((c) => movedTimes(c, byMs));
	if (command === null || typeof command !== 'object') return command;
	return Object.fromEntries(
		Object.entries(command).map(([key, value]) => [
			key,
			HAPPENED.has(key) && typeof value === 'number' ? value + byMs : movedTimes(value, byMs)
		])
	);
}
