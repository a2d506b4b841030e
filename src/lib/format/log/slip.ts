import type { SlipKind } from '$lib/core/plausibility';
import type { Method } from '$lib/core/method';
import type { RawReading } from '$lib/core/reading';
import { readingWords } from './reading.ts';

/** A slip in a few words, as a noun. */
export const SLIP_NAMES: Readonly<Record<SlipKind, string>> = {
	'left-for-used': 'what was left entered as what was used',
	'decimal-point': 'a point in the wrong place',
	'liquid-line': 'the line of the liquid read in place of the plunger’s edge',
	'upside-down': 'marks counted the wrong way from a number that stood upside down',
	portion: 'a half sample taken as a full one, or the other way round',
	'one-drop': 'one drop too many or too few',
	unit: 'another unit',
	table: 'another kit’s table',
	dilution: 'a dilution forgotten, or counted twice'
};

/** The question that a slip is asked by. */
export function slipQuestion(
	kind: SlipKind,
	method: Method,
	reading: RawReading,
	meant: RawReading,
	otherMethod: string | null
): string {
	const shows = readingWords(method, meant);
	switch (kind) {
		case 'left-for-used':
			return reading.form === 'syringe' && meant.form === 'syringe'
				? `Did you enter what was ${meant.readAs} as what was ${reading.readAs}?`
				: 'Did you enter what was left as what was used in one of the two syringes?';
		case 'decimal-point':
			return `Is the decimal point in its place? It would then be ${shows}.`;
		case 'liquid-line':
			return `Did you read the line of the liquid in place of the plunger’s edge? The edge would stand at ${shows}.`;
		case 'upside-down':
			return `Did you count the marks the wrong way from the number beside them? It would then be ${shows}.`;
		case 'portion':
			return `Was it a ${meant.portion} sample?`;
		case 'one-drop':
			return `Did you count one drop too ${meant.form === 'drops' && reading.form === 'drops' && meant.least < reading.least ? 'many' : 'few'}?`;
		case 'unit':
			return `Is it another unit? It would then be ${shows}.`;
		case 'table':
			return `Was it made with another kit, ${otherMethod ?? 'not this one'}?`;
		case 'dilution':
			return meant.dilution
				? `Was the sample thinned 1 in ${(meant.dilution.sampleMl + meant.dilution.diluentMl) / meant.dilution.sampleMl}?`
				: 'Is the dilution counted twice?';
	}
}
