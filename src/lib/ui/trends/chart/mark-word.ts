import type { Series } from './series';

/** Shapes of marks by which kits are told apart, in the order in which kits appear. */
const MARKS = [
	{ pointStyle: 'circle', hollow: false },
	{ pointStyle: 'rect', hollow: false },
	{ pointStyle: 'circle', hollow: true },
	{ pointStyle: 'rectRot', hollow: false },
	{ pointStyle: 'rect', hollow: true },
	{ pointStyle: 'rectRot', hollow: true }
] as const;
const LABORATORY = { pointStyle: 'crossRot', hollow: true } as const;

const WORDS = { circle: ['●', '○'], rect: ['■', '□'], rectRot: ['◆', '◇'], crossRot: ['×', '×'] } as const;

export function markOf(series: Series, kit: number) {
	return series.kits[kit]?.laboratory ? LABORATORY : MARKS[kit % MARKS.length]!;
}

/** What a legend says of a kit's mark. */
export function markWord(series: Series, kit: number): string {
	const { pointStyle, hollow } = markOf(series, kit);
	const [full, open] = WORDS[pointStyle];
	return hollow ? open : full;
}
