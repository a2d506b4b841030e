import {
	sampleOf,
	withDropper,
	type Dropper,
	type KitCorrection,
	type Method,
	type Portion
} from '../../method/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { correctedOutcome } from '../outcome/corrected-outcome.ts';
import { relativeUOf, type Deviation } from '../outcome/deviation.ts';
import { throughDilution } from '../outcome/diluted-outcome.ts';
import type { Derivation, Outcome } from '../outcome/outcome.ts';
import { faultInResult } from '../outcome/sound.ts';
import { widenedOutcome } from '../outcome/widened-outcome.ts';
import { deriveStep } from '../step/derive-step.ts';
import { deriveTitration } from '../titration/derive-titration.ts';
import type { TitrationSample } from '../titration/titration-budget.ts';
import { deriveDifference } from './derive-difference.ts';
import { deriveDisplay } from './derive-display.ts';
import { deriveScale, deriveThermometer } from './derive-line.ts';
import { derivePair } from './derive-pair.ts';
import { deriveStated } from './derive-stated.ts';
import { ANYBODY, type KnownReader } from './known-reader.ts';
import type { RawReading } from './raw-reading.ts';

/** Methods are few and their readings many: each size of a method's sample is written out once. */
type Samples = { readonly method: Method } & Partial<Record<Portion, Result<TitrationSample>>>;
const samples = new WeakMap<Method, Samples>();
/** Those of the last method, since readings come kit by kit. */
let lastSamples: Samples | null = null;

function sampleFor(method: Method, { portion }: RawReading): Result<TitrationSample> {
	if (lastSamples === null || lastSamples.method !== method) {
		let known = samples.get(method);
		if (!known) samples.set(method, (known = { method }));
		lastSamples = known;
	}
	return (lastSamples[portion] ??= newSample(method, portion));
}

function newSample(method: Method, portion: Portion): Result<TitrationSample> {
	const ml = sampleOf(method, portion);
	if (ml === null) return fail('portion-unknown', 'portion');
	return ok({ ml, fullMl: method.sampleMl!.full, relativeTolerance: method.sampleRelativeTolerance });
}

type Derives<K extends Method['kind']> = (
	method: Extract<Method, { readonly kind: K }>,
	reading: RawReading,
	reader: KnownReader
) => Result<Derivation>;

type OfForm<F extends RawReading['form']> = Extract<RawReading, { readonly form: F }>;

/** For methods that are read in one form alone. */
const readAs =
	<M, F extends RawReading['form']>(
		form: F,
		derive: (method: M, reading: OfForm<F>, reader: KnownReader) => Result<Derivation>
	) =>
	(method: M, reading: RawReading, reader: KnownReader): Result<Derivation> =>
		reading.form === form ? derive(method, reading as OfForm<F>, reader) : fail('wrong-form');

/** The same where a part of the sample may be taken. */
const readOfSample = <M extends Method, F extends RawReading['form']>(
	form: F,
	derive: (method: M, sample: TitrationSample, reading: OfForm<F>, reader: KnownReader) => Result<Derivation>
) =>
	readAs(form, (method: M, reading: OfForm<F>, reader) => {
		const sample = sampleFor(method, reading);
		return sample.ok ? derive(method, sample.value, reading, reader) : sample;
	});

type OneTitration = Extract<
	Method,
	{ readonly kind: 'syringe-titration' | 'drop-titration' | 'back-titration' }
>;

function deriveOneTitration(
	method: OneTitration,
	reading: RawReading,
	reader: KnownReader
): Result<Derivation> {
	if (reading.form !== 'syringe' && reading.form !== 'drops') return fail('wrong-form');
	const sample = sampleFor(method, reading);
	if (!sample.ok) return sample;
	const outcome = deriveTitration(method.titration, sample.value, reading, {
		endPoint: reading.endPoint,
		reader
	});
	return outcome.ok ? ok({ outcomes: [outcome.value] }) : outcome;
}

/** How each kind of method is read: a new kind is not compiled before it has its own. */
const DERIVES: { readonly [K in Method['kind']]: Derives<K> } = {
	'syringe-titration': deriveOneTitration,
	'drop-titration': deriveOneTitration,
	'back-titration': deriveOneTitration,
	'paired-titration': readOfSample('pair', derivePair),
	difference: readOfSample('difference', deriveDifference),
	'colour-card': readAs('step', deriveStep),
	comparator: readAs('step', deriveStep),
	display: readAs('display', deriveDisplay),
	'scale-line': readAs('line', deriveScale),
	float: readAs('line', deriveScale),
	thermometer: readAs('line', deriveThermometer),
	stated: readAs('stated', deriveStated)
};

/** The outcomes of a reading as it stands, before a dilution is reckoned back. */
function measured(method: Method, reading: RawReading, reader: KnownReader): Result<Derivation> {
	return (DERIVES[method.kind] as Derives<Method['kind']>)(method, reading, reader);
}

/** What checks of a kit found, by what it tells; a kit of two titrations may need two. */
export type Corrections = Readonly<Partial<Record<ParameterId, KitCorrection>>>;

const NONE: Corrections = {};

/**
 * Turns a raw reading into results with their uncertainty budgets, by the method version that it was made with.
 * A correction of the kit acts on what was read in the vial, before a dilution is reckoned back.
 *
 * @param corrections accepted for the kit; none leaves every result as the kit says it
 * @param reader what was measured of whoever read it, and is used; of nobody else the kit's own assumptions hold
 * @returns one outcome for each parameter that the run tells, in its canonical unit; fails, with the field, where the
 *   reading cannot have been made with that method
 */
export function derive(
	method: Method,
	reading: RawReading,
	corrections: Corrections = NONE,
	reader: KnownReader = ANYBODY
): Result<Derivation> {
	// What is taken off was not thinned with the sample, so the difference of the two does not scale.
	if (reading.dilution && method.kind === 'difference') {
		return fail('cannot-be-diluted', 'dilution', { what: 'A difference' });
	}
	const plain = measured(method, reading, reader);
	if (!plain.ok) return plain;
	// Nearly every reading is of its sample as it was, by a kit as it is: these stand as they were measured.
	const asMeasured = corrections === NONE && !reading.dilution;
	return asMeasured ? sound(plain) : broughtBack(plain.value, method, reading, corrections);
}

/** Whatever the form: what nothing can be reckoned with is no result. */
function sound(derived: Result<Derivation> & { readonly ok: true }): Result<Derivation> {
	const { outcomes } = derived.value;
	for (let i = 0; i < outcomes.length; i++) {
		const fault = faultInResult(outcomes[i]!.result);
		if (fault) return { ok: false, fault };
	}
	return derived;
}

/** Outcomes by their kit's correction, and of the sample before it was thinned. */
function broughtBack(
	{ outcomes }: Derivation,
	method: Method,
	{ dilution }: RawReading,
	corrections: Corrections
): Result<Derivation> {
	const back: Outcome[] = [];
	for (const outcome of outcomes) {
		const correction = corrections[outcome.result.parameter];
		const own = correction ? correctedOutcome(outcome, correction) : outcome;
		const before = throughDilution(own, dilution, method.sampleRelativeTolerance);
		if (!before.ok) return before;
		const fault = faultInResult(before.value.result);
		if (fault) return { ok: false, fault };
		back.push(before.value);
	}
	const [first, ...rest] = back;
	return ok({ outcomes: [first!, ...rest] });
}

/** What is known of the very kit that a reading was made with, and of the hands that it was in. */
export interface KnownKit {
	/** By the reagent's label. */
	readonly droppers: Readonly<Record<string, Dropper>>;
	readonly corrections: Corrections;
	/** What is known of whoever reads with it. */
	readonly reader?: KnownReader | undefined;
}

/**
 * The same, by a kit that is known: drops of the size that its bottle gives, corrected by its checks.
 *
 * @param deviations what was not done as written; it makes the result less certain
 */
export function deriveWith(
	method: Method,
	reading: RawReading,
	kit: KnownKit | null,
	deviations: readonly Deviation[] = []
): Result<Derivation> {
	const derived = deriveByKit(method, reading, kit);
	const relativeU = derived.ok ? relativeUOf(method, deviations) : 0;
	if (!derived.ok || relativeU === 0) return derived;
	const [first, ...rest] = derived.value.outcomes.map((o) => widenedOutcome(o, relativeU));
	return ok({ outcomes: [first!, ...rest] });
}

function deriveByKit(method: Method, reading: RawReading, kit: KnownKit | null): Result<Derivation> {
	if (!kit) return derive(method, reading);
	const own = Object.keys(kit.droppers).length > 0 ? withDropper(method, kit.droppers) : method;
	const corrections = Object.keys(kit.corrections).length > 0 ? kit.corrections : undefined;
	return derive(own, reading, corrections, kit.reader);
}
