import type { Step, StepAction } from '$lib/core/method';

/** What a step is, in a word, and what of it the bench counts, times or asks for. */
export interface Block {
	readonly name: string;
	readonly marks: readonly string[];
}

const NAMES: Readonly<Record<StepAction['kind'], string>> = {
	prepare: 'get ready',
	draw: 'sample',
	measure: 'measure',
	drops: 'drops',
	scoops: 'powder',
	swirl: 'swirl',
	shake: 'shake',
	stir: 'stir',
	invert: 'turn over',
	stand: 'wait',
	filter: 'filter',
	fill: 'fill syringe',
	titrate: 'titrate',
	blank: 'zero',
	read: 'read',
	do: 'as it says'
};

const clock = (seconds: number) =>
	`${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')}`;

function marksOf(action: StepAction): readonly (string | null)[] {
	switch (action.kind) {
		case 'drops':
		case 'scoops':
			return [
				`× ${action.count}`,
				action.half ? `half sample ${action.half.count}` : null,
				action.spoon ? `${action.spoon} end` : null,
				action.mixing ? 'mixed after each' : null
			];
		case 'invert':
			return [`× ${action.times}`];
		case 'stand':
			return [clock(action.seconds), action.exactly ? 'to the second' : null];
		case 'swirl':
		case 'shake':
		case 'stir':
		case 'filter':
			return [clock(action.seconds)];
		case 'measure':
			return [action.half ? `half sample ${action.half.ml} mL` : null];
		case 'titrate':
			return [action.titration === 1 ? 'the second one' : null];
		default:
			return [];
	}
}

/** A step as a block among others. */
export function blockOf({ action, reagent, vial }: Step): Block {
	const OF_A_BOTTLE = ['swirl', 'shake', 'stir', 'invert'];
	const marks = [
		reagent === undefined ? null : OF_A_BOTTLE.includes(action.kind) ? `bottle ${reagent}` : reagent,
		vial ? 'second vial' : null,
		'pace' in action && action.pace ? (action.pace === 'slowly' ? 'slowly' : 'all at once') : null,
		...marksOf(action)
	];
	return { name: NAMES[action.kind], marks: marks.filter((m) => m !== null) };
}
