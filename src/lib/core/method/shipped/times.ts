/** Likely hands-on times in seconds, the same for every shipped method. */
export const HANDS_S = {
	setUp: 40,
	draw: 25,
	fillSyringe: 20,
	countedDrop: 2,
	titrationDrop: 4,
	readAndEnter: 15
} as const;

/** How long a titration takes drop by drop until the middle of a mixed reef's band. */
export function titrationSeconds(expectedMl: number, tipDropMl: number): number {
	return Math.round(expectedMl / tipDropMl) * HANDS_S.titrationDrop + HANDS_S.readAndEnter;
}
