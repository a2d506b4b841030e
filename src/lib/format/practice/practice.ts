import { nameWithin, type ParameterId } from '$lib/core/quantity';
import { titrationsOf, type Method } from '$lib/core/method';
import type { EyeSeen } from '$lib/contract/practice-view';
import type { Line, Misreading, ScaleKind, Scoop, Subject } from '$lib/core/practice';
import { fixed, plain } from '../number.ts';

export const SCALE_NAMES: Readonly<Record<ScaleKind, string>> = {
	syringe: 'Syringe',
	float: 'Float, under the meniscus',
	line: 'Line in an eyepiece',
	cuvette: 'Cuvette, filled to its line'
};

export const MISREADING_NAMES: Readonly<Record<Misreading, string>> = {
	'other-edge': 'the other edge of the plunger',
	'liquid-line': 'the line of the liquid in place of the plunger’s edge',
	'upside-down': 'marks counted the wrong way from a number that stood upside down',
	'left-for-used': 'what was left taken for what was used, or the other way round',
	'next-number': 'counted from the wrong number',
	'top-of-meniscus': 'the top of the meniscus'
};

export const SCOOP_NAMES: Readonly<Record<Scoop, string>> = {
	short: 'Short of level',
	level: 'Level',
	heaped: 'Heaped'
};

/** Which colours lie along a line, in words that name no condition. */
export const LINE_NAMES: Readonly<Record<Line, string>> = {
	long: 'red against dark green',
	middle: 'green against brown and rose',
	short: 'blue against grey'
};

const methodOf = (methods: readonly Method[], code: string) => methods.find((m) => m.code === code);

/** What is practised: "Alkalinity by syringe, wine red". */
export function subjectName(subject: Subject, methods: readonly Method[]): string {
	if (subject.kind === 'scale') return SCALE_NAMES[subject.scale];
	const method = methodOf(methods, subject.methodCode);
	if (!method) return subject.methodCode;
	if (subject.kind === 'steps') return method.name;
	const titration = titrationsOf(method)[subject.titration];
	return titration ? `${method.name}, ${titration.colours.end.name}` : method.name;
}

/** Where it is practised, below a water's practice. */
export function subjectPath(subject: Subject): string {
	if (subject.kind === 'scale') return `scale?scale=${subject.scale}`;
	const kit = `kit=${encodeURIComponent(subject.methodCode)}`;
	return subject.kind === 'steps' ? `steps?${kit}` : `end-point?${kit}&which=${subject.titration}`;
}

/** The step in which an eye's answers are told. */
export function stepUnit(subject: Subject, isSyringe: boolean): string {
	if (subject.kind === 'scale') return subject.scale === 'cuvette' ? '% of its volume' : 'divisions';
	return isSyringe ? 'tip drops' : 'drops';
}

/** "0.4 ± 0.3 drops late", of the interval of 95 %. */
export function biasWords(
	{ onScreen: { bias } }: Pick<EyeSeen, 'onScreen'>,
	isScale: boolean
): {
	readonly value: string;
	readonly plusMinus: string;
	readonly sense: string;
} {
	const half = (bias.upper - bias.lower) / 2;
	const digits = half < 0.095 ? 2 : 1;
	const sense = isScale ? (bias.best < 0 ? 'low' : 'high') : bias.best < 0 ? 'early' : 'late';
	return { value: fixed(Math.abs(bias.best), digits), plusMinus: fixed(half, digits), sense };
}

/** How far from the change somebody stopped, and what that means. @param worth of one step, in a unit with a symbol */
export function stoppedWords(error: number, worth: number | null, symbol: string): string {
	const where = `You stopped ${dropsOffWords(error)}`;
	if (worth === null || Math.abs(error) < 0.05) return `${where}.`;
	const means = error * worth;
	return `${where}: ${plain(Number(Math.abs(means).toPrecision(2)))} ${symbol} too ${means > 0 ? 'high' : 'low'}.`;
}

const dropsWords = (drops: number): string => {
	const rounded = fixed(Math.abs(drops), 1);
	return `${rounded} ${rounded === '1.0' ? 'drop' : 'drops'}`;
};
/** "1.4 drops late", "with the drop that turned it" */
export const dropsOffWords = (error: number): string =>
	Math.abs(error) < 0.05
		? 'with the drop that turned it'
		: `${dropsWords(error)} ${error > 0 ? 'late' : 'early'}`;
/** "1.4 drops", "at the same drop" */
export const dropsApartWords = (apart: number): string =>
	Math.abs(apart) < 0.05 ? 'at the same drop' : dropsWords(apart);

/** "right 9 of 10" */
export const tallyWords = ({ right, of }: { readonly right: number; readonly of: number }): string =>
	of === 0 ? 'never' : `right ${right} of ${of}`;

export const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What a result would be like by one's own eye: "reads ± 0.3 instead of ± 0.5". */
export const parameterOf = (parameter: ParameterId | null): string =>
	parameter === null ? 'a reading' : nameWithin(parameter);
