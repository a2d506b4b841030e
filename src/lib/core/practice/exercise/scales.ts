import { roundTo, type Random } from '../../numeric/index.ts';

/** Scales that are read by eye. */
export const SCALES = ['syringe', 'float', 'line', 'cuvette'] as const;
export type ScaleKind = (typeof SCALES)[number];

/** Ways in which a scale is misread that have a name: the answer then lies where they lead. */
export const MISREADINGS = [
	'other-edge',
	'liquid-line',
	'upside-down',
	'left-for-used',
	'next-number',
	'top-of-meniscus'
] as const;
export type Misreading = (typeof MISREADINGS)[number];

/** How a scale stands before the eye. */
export interface ScaleView {
	/** A syringe held with its tip up has its numerals upside down. */
	readonly tip: 'down' | 'up';
	/** Air between plunger and liquid, in the scale's unit. */
	readonly air: number;
	/** How soft the line of a refractometer is, divisions; it is turned sharp by focusing. */
	readonly blur: number;
	/** How far the water climbs at the glass, in the scale's unit. */
	readonly meniscus: number;
	/** What is asked for: what is left in a syringe, or what was used of it. */
	readonly asked: 'left' | 'used';
}

/** One scale to be read, whose place is known. */
export interface ScaleExercise extends ScaleView {
	readonly kind: ScaleKind;
	readonly from: number;
	readonly to: number;
	readonly graduation: number;
	/** Every so many graduations bear a number. */
	readonly numberedEvery: number;
	/** Where it really stands, in the sense that is asked for. */
	readonly truth: number;
	/** Where named misreadings lead. */
	readonly decoys: readonly { readonly slip: Misreading; readonly value: number }[];
}

interface Scale {
	readonly from: number;
	readonly to: number;
	readonly graduation: number;
	readonly numberedEvery: number;
}

/** The usual ones: a 1 mL syringe, a float and a refractometer in specific gravity, a cuvette's line in per cent of its volume. */
const USUAL: Readonly<Record<ScaleKind, Scale>> = {
	syringe: { from: 0, to: 1, graduation: 0.01, numberedEvery: 10 },
	float: { from: 1, to: 1.04, graduation: 0.001, numberedEvery: 10 },
	line: { from: 1, to: 1.04, graduation: 0.001, numberedEvery: 10 },
	cuvette: { from: 94, to: 106, graduation: 1, numberedEvery: 6 }
};
/** Where readings lie: the whole of a syringe, sea water on the others. */
const BETWEEN: Readonly<Record<ScaleKind, readonly [number, number]>> = {
	syringe: [0.08, 0.86],
	float: [1.0215, 1.0285],
	line: [1.0215, 1.0285],
	cuvette: [97, 103]
};
/** Thickness of a plunger's seal: its two edges. */
const SEAL_ML = 0.05;

const uniform = (random: Random, low: number, high: number) => low + random() * (high - low);

/** The mark counted away from the number beside it in the wrong direction: as far on its other side. */
function countedBackwards(value: number, { graduation, numberedEvery }: Scale): number {
	const every = graduation * numberedEvery;
	return 2 * every * Math.round(value / every) - value;
}

/**
 * Where named misreadings of a syringe lead.
 *
 * @param left what is really left
 */
function syringeDecoys(left: number, { air, tip, asked }: ScaleView, scale: Scale): ScaleExercise['decoys'] {
	const shown = (l: number) => (asked === 'left' ? l : scale.to - l);
	const value = shown(left);
	return [
		{ slip: 'left-for-used', value: scale.to - value },
		{ slip: 'other-edge', value: shown(left + SEAL_ML) },
		{ slip: 'liquid-line', value: shown(left - air) },
		...(tip === 'up' ? [{ slip: 'upside-down' as const, value: countedBackwards(value, scale) }] : []),
		{ slip: 'next-number', value: value + scale.graduation * scale.numberedEvery }
	];
}

function decoysOf(kind: ScaleKind, truth: number, view: ScaleView, scale: Scale): ScaleExercise['decoys'] {
	if (kind === 'syringe') {
		return syringeDecoys(view.asked === 'left' ? truth : scale.to - truth, view, scale);
	}
	const next = { slip: 'next-number' as const, value: truth + scale.graduation * scale.numberedEvery };
	return kind === 'line' ? [next] : [{ slip: 'top-of-meniscus', value: truth + view.meniscus }, next];
}

/**
 * A scale to be read. It stands anywhere, also between marks.
 *
 * @param hard half of the syringes tip up, other edges, softer lines
 */
export function scaleExercise(random: Random, kind: ScaleKind, hard = true): ScaleExercise {
	const scale = USUAL[kind];
	const [low, high] = BETWEEN[kind];
	const view: ScaleView = {
		tip: kind === 'syringe' && hard && random() < 0.5 ? 'up' : 'down',
		air: roundTo(uniform(random, 0.03, 0.09), 0.001),
		blur: hard ? uniform(random, 1.5, 4) : 1,
		meniscus: kind === 'cuvette' ? 2.5 : 1.5 * scale.graduation,
		asked: kind === 'syringe' && random() < 0.5 ? 'used' : 'left'
	};
	const truth = uniform(random, low, high);
	return { kind, ...scale, ...view, truth, decoys: decoysOf(kind, truth, view, scale) };
}

/** What an answer was: so many divisions off, and the named misreading that explains it better than an unsteady eye. */
export interface ScaleScore {
	/** Divisions, above positive. */
	readonly error: number;
	readonly slip: Misreading | null;
}

/** An eye alone is not further off than this, divisions (choice). */
const EYE_ALONE = 2;
/** A misreading explains an answer that lies so near to where it leads. */
const NEAR = 1.25;

export function scoreOfScale(
	{ truth, graduation, decoys }: Pick<ScaleExercise, 'truth' | 'graduation' | 'decoys'>,
	answer: number
): ScaleScore {
	const error = (answer - truth) / graduation;
	if (Math.abs(error) <= EYE_ALONE) return { error, slip: null };
	const off = (value: number) => Math.abs(answer - value) / graduation;
	const near = decoys.filter((d) => off(d.value) <= NEAR);
	return {
		error,
		slip: near.length === 0 ? null : near.reduce((a, b) => (off(a.value) < off(b.value) ? a : b)).slip
	};
}
