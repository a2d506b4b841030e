import { titrationsOf, type Method, type Titration } from '../../method/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { incrementOf, type KnownReader, type OwnEye } from '../../reading/index.ts';
import type { Instant } from '../../time/index.ts';
import type { ScaleKind } from '../exercise/scales.ts';
import type { PairKnown } from '../steps/told-apart.ts';
import type { Trial } from '../trial.ts';
import { eyeOf, type Answer, type Eye } from './eye.ts';
import { priorOf } from './related.ts';

/** What an eye is tried on: an end point of a kit, a kind of scale, a row of steps. */
export type Subject =
	| { readonly kind: 'end-point'; readonly methodCode: string; readonly titration: 0 | 1 }
	| { readonly kind: 'scale'; readonly scale: ScaleKind }
	| { readonly kind: 'steps'; readonly methodCode: string };

export const subjectKey = (s: Subject): string =>
	s.kind === 'end-point'
		? `end-point/${s.methodCode}/${s.titration}`
		: s.kind === 'scale'
			? `scale/${s.scale}`
			: `steps/${s.methodCode}`;

/** What is used of a reader from a time on. */
export type ReaderFinding =
	| {
			readonly kind: 'end-point';
			readonly methodCode: string;
			readonly titration: 0 | 1;
			readonly eye: OwnEye;
	  }
	| { readonly kind: 'scale'; readonly scale: ScaleKind; readonly eye: OwnEye }
	| { readonly kind: 'steps'; readonly methodCode: string; readonly mixedUp: readonly number[] };

/** Somebody said that what was found of them holds, or no longer. */
export interface ReaderDecision {
	/** Null takes all decisions of the subject back. */
	readonly finding: ReaderFinding | null;
	readonly subject: Subject;
	/** Of readings from here on; null of all of them. */
	readonly from: Instant | null;
}

/** Standard uncertainty that a titration takes for granted of judging its end, in its own steps. */
export const usualEndPointU = (titration: Titration): number => titration.endPointU / incrementOf(titration);
/** What is taken for granted of a look at a scale, divisions: half a division on either side. */
export const USUAL_SCALE_U = 0.29;
/** A cuvette is filled by hand: a division is a hundredth of its volume. */
const USUAL_CUVETTE_U = 0.8;

/** End points that measure: without the curve beside them. */
function endPointAnswer(trial: Trial & { readonly kind: 'end-point' }): Answer | null {
	if (trial.mode === 'slow') return null;
	// Half the last drop is taken off here as it is at the bench.
	return { error: (trial.stoppedMl - trial.lastDropMl / 2 - trial.changeMl) / trial.dropMl };
}

/** Answers on one subject in the order in which they were given; on scales those that no named slip explains. */
export function answersOn(subject: Subject, trials: readonly Trial[]): Answer[] {
	return trials.flatMap((trial) => {
		if (subject.kind === 'end-point') {
			if (trial.kind !== 'end-point') return [];
			if (trial.methodCode !== subject.methodCode || trial.titration !== subject.titration) return [];
			return endPointAnswer(trial) ?? [];
		}
		if (subject.kind !== 'scale' || trial.kind !== 'scale' || trial.scale !== subject.scale) return [];
		return trial.slip === null ? { error: (trial.answer - trial.truth) / trial.graduation } : [];
	});
}

/** An end point that somebody tried, with what they answered. */
export interface TriedEndPoint {
	readonly subject: Subject & { readonly kind: 'end-point' };
	readonly method: Method;
	readonly titration: Titration;
	readonly answers: readonly Answer[];
}

/** The end points of some methods that were tried. */
export function triedEndPoints(
	methods: readonly Method[],
	trials: readonly Trial[]
): readonly TriedEndPoint[] {
	return methods.flatMap((method) =>
		titrationsOf(method).flatMap((titration, i) => {
			const subject = { kind: 'end-point', methodCode: method.code, titration: i === 0 ? 0 : 1 } as const;
			const answers = answersOn(subject, trials);
			return answers.length > 0 ? [{ subject, method, titration, answers }] : [];
		})
	);
}

/** An eye at one end point. @param related the same person's eyes at others, each as it stands by itself */
export const endPointEye = ({ titration, answers }: TriedEndPoint, related: readonly Eye[] = []): Eye =>
	eyeOf(priorOf(usualEndPointU(titration), related), answers);

export function scaleEye(scale: ScaleKind, trials: readonly Trial[]): Eye | null {
	const answers = answersOn({ kind: 'scale', scale }, trials);
	if (answers.length === 0) return null;
	return eyeOf(priorOf(scale === 'cuvette' ? USUAL_CUVETTE_U : USUAL_SCALE_U), answers);
}

/** What the bench takes of an eye. */
export const ownEyeOf = ({ bias, u }: Eye): OwnEye => ({ bias: bias.best, uBias: bias.sd, spread: u });

export const mixedUpOf = (known: readonly PairKnown[]): number[] =>
	known.filter((k) => k.verdict === 'mixed up').map((k) => k.pair);

/** The finding that holds for a reading of a time: the newest that reaches back to it, since the last that was taken back. */
function holding(decisions: readonly ReaderDecision[], key: string, at: Instant): ReaderFinding | null {
	for (const { subject, finding, from } of decisions.toReversed()) {
		if (subjectKey(subject) !== key) continue;
		if (finding === null) return null;
		if (from === null || from <= at) return finding;
	}
	return null;
}

const SCALE_OF: Readonly<Partial<Record<Method['kind'], ScaleKind>>> = {
	'scale-line': 'line',
	float: 'float'
};

/** The scale that a method is read on by eye; null where there is none. */
export function scaleOf(method: Method): ScaleKind | null {
	const [titration] = titrationsOf(method);
	if (titration) return titration.meter.kind === 'syringe' ? 'syringe' : null;
	return SCALE_OF[method.kind] ?? null;
}

/**
 * What is used of a reader with one method, at the time of a reading.
 *
 * @param decisions in the order in which they were made
 * @returns undefined where nothing is: the kit's own assumptions hold
 */
export function knownReader(
	method: Method,
	decisions: readonly ReaderDecision[],
	at: Instant
): KnownReader | undefined {
	if (decisions.length === 0) return undefined;
	const endPoints: Partial<Record<ParameterId, OwnEye>> = {};
	titrationsOf(method).forEach(({ parameter }, i) => {
		const subject = { kind: 'end-point', methodCode: method.code, titration: i === 0 ? 0 : 1 } as const;
		const found = holding(decisions, subjectKey(subject), at);
		if (found?.kind === 'end-point') endPoints[parameter] = found.eye;
	});
	const scaleKind = scaleOf(method);
	const scale = scaleKind && holding(decisions, subjectKey({ kind: 'scale', scale: scaleKind }), at);
	const steps = holding(decisions, subjectKey({ kind: 'steps', methodCode: method.code }), at);
	const reader: KnownReader = {
		endPoints,
		scale: scale?.kind === 'scale' ? scale.eye : null,
		mixedUp: steps?.kind === 'steps' ? steps.mixedUp : []
	};
	const isKnown = Object.keys(endPoints).length > 0 || reader.scale !== null || reader.mixedUp.length > 0;
	return isKnown ? reader : undefined;
}
