const waiting: (() => void)[] = [];

/** Does one thing after another, with room between them for whatever a hand does. */
export function inTurn(task: () => void): void {
	if (waiting.push(task) === 1) setTimeout(next);
}
function next(): void {
	waiting[0]?.();
	waiting.shift();
	if (waiting.length > 0) setTimeout(next);
}
