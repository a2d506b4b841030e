/** Look of a button that is on or off; large enough for a wet thumb. */
export function toggleLook(on: boolean): string {
	return `min-h-12 rounded-md border-2 px-4 font-semibold ${on ? 'border-ink bg-ink text-surface' : 'border-line-strong'}`;
}
