import type { RateMove } from '$lib/core/judgement/water';
import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { OUT_OF_THE_ORDINARY, type EventKind } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
import { besidesSentence, moveSentence } from '$lib/format/trends/estimate';
import type { TrendEvent } from './trend-event';

/** Something that happened or was found, as the axis of time shows it. */
export interface TimeMark {
	readonly kind: EventKind | 'found';
	readonly at: Instant;
	/** Two or three words that stand beside the mark where there is room. */
	readonly title: string;
	/** All that is to be said. */
	readonly words: string;
}

/** Marks of one lane so near each other that a finger could not tell them apart. */
export interface PlacedMark {
	readonly x: number;
	readonly marks: readonly TimeMark[];
	readonly isNotable: boolean;
	/** What stands beside it; empty where there is no room. */
	readonly label: string;
	readonly side: 'start' | 'end';
}

const FINGER_PX = 15;
/** A letter of the label, on the average. */
const LETTER_PX = 6.6;
const GAP_PX = 14;

export const isNotable = (mark: TimeMark) => mark.kind === 'found' || OUT_OF_THE_ORDINARY.has(mark.kind);

function grouped(
	marks: readonly TimeMark[],
	x: (at: Instant) => number,
	[left, right]: readonly [number, number]
) {
	const groups: { x: number; marks: TimeMark[] }[] = [];
	for (const mark of marks.toSorted((a, b) => a.at - b.at)) {
		const at = x(mark.at);
		if (at < left || at > right) continue;
		const last = groups.at(-1);
		if (last && at - last.x < FINGER_PX) last.marks.push(mark);
		else groups.push({ x: at, marks: [mark] });
	}
	return groups;
}

/**
 * Marks along the axis in two lanes, what was out of the ordinary above what is usual; the upper ones get words as far
 * as these touch neither each other nor another mark.
 */
export function placeMarks(
	marks: readonly TimeMark[],
	x: (at: Instant) => number,
	edges: readonly [number, number]
): readonly PlacedMark[] {
	const [left, right] = edges;
	const usual = grouped(
		marks.filter((m) => !isNotable(m)),
		x,
		edges
	);
	const notable = grouped(marks.filter(isNotable), x, edges);
	let free = left;
	const named = notable.map((group, i) => {
		const text = group.marks[0]!.title;
		const width = text.length * LETTER_PX + GAP_PX;
		const next = notable[i + 1]?.x ?? right + GAP_PX;
		const fitsRight = group.x >= free && group.x + width <= next - GAP_PX;
		const fitsLeft = !fitsRight && group.x - width >= free;
		free = group.x + (fitsRight ? width : GAP_PX);
		return {
			...group,
			isNotable: true,
			label: fitsRight || fitsLeft ? text : '',
			side: fitsLeft ? ('end' as const) : ('start' as const)
		};
	});
	return [
		...named,
		...usual.map((group) => ({ ...group, isNotable: false, label: '', side: 'start' as const }))
	].toSorted((a, b) => a.x - b.x);
}

/** A note of more letters than these is cut where a word ends. */
const LABEL_LETTERS = 30;
function inShort(note: string): string {
	const sentence = note.split(/[.;:]/)[0]!.trim();
	if (sentence.length <= LABEL_LETTERS) return sentence;
	return `${sentence.slice(0, LABEL_LETTERS).replace(/\s+\S*$/, '')} …`;
}

export function eventMarks(events: readonly TrendEvent[]): readonly TimeMark[] {
	return events.map(({ kind, details, note, happenedAt }) => ({
		kind,
		at: happenedAt,
		title: inShort(note) || EVENT_NAMES[kind],
		words: [EVENT_NAMES[kind], eventWords(kind, details), note].filter(Boolean).join('. ')
	}));
}

/** Where the use of something was found to have moved. */
export function moveMarks(
	moves: readonly RateMove[],
	units: Readonly<Record<ParameterId, UnitId>>,
	timeZone: string,
	now: Instant
): readonly TimeMark[] {
	return moves.flatMap((move) =>
		move.at === null
			? []
			: [
					{
						kind: 'found' as const,
						at: move.at,
						title: `${PARAMETERS[move.parameter].name} use ${move.after.value > move.before.value ? 'rose' : 'fell'}`,
						words: `${moveSentence(move, units, timeZone, now)} ${besidesSentence(move, timeZone, now)}`
					}
				]
	);
}
