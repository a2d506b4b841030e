import {
	momentsWithin,
	stepInterval,
	type ColourMethod,
	type StepInterval,
	type StepStatement
} from '../../method/index.ts';
import { convert, PARAMETERS } from '../../quantity/index.ts';
import { ok, type Result } from '../../result/index.ts';
import type { MeasurementModel, UncertaintyComponent } from '../../uncertainty/index.ts';
import type { KnownReader } from '../form/known-reader.ts';
import type { StepReading } from '../form/raw-reading.ts';
import { BoundOutcome, type ArithmeticLine, type Derivation, type Outcome } from '../outcome/outcome.ts';
import type { IntervalResult } from '../outcome/test-result.ts';

/** An interval between colour steps, with what the sample volume adds at its ends. */
class StepOutcome implements Outcome {
	constructor(
		readonly result: IntervalResult,
		private readonly inner: { readonly lower: number; readonly upper: number; readonly log: boolean },
		private readonly relativeSampleU: number,
		readonly arithmetic: readonly ArithmeticLine[]
	) {}
	get components(): readonly UncertaintyComponent[] {
		const all: UncertaintyComponent[] = [
			{ source: 'step-spacing', repeats: 'random', u: this.result.uRandom },
			{ source: 'sample-volume', repeats: 'common', u: this.result.uCommon }
		];
		return all.filter((c) => c.u > 0);
	}
	get model(): MeasurementModel {
		const { lower, upper, log } = this.inner;
		const half = 1 / Math.sqrt(3);
		const evenlyInLog = log && lower > 0;
		return {
			inputs: [
				// A place between the ends, −1 to 1: any place is as likely as another.
				{ source: 'step-spacing', repeats: 'random', shape: 'rectangular', mean: 0, u: half },
				{
					source: 'sample-volume',
					repeats: 'common',
					shape: 'rectangular',
					mean: 1,
					u: this.relativeSampleU
				}
			],
			evaluate(x) {
				const share = (x[0]! + 1) / 2;
				const place = evenlyInLog ? lower * (upper / lower) ** share : lower + share * (upper - lower);
				return place * x[1]!;
			}
		};
	}
}

type Span = Pick<StepInterval, 'lower' | 'upper'>;

/** Steps that could have been meant as well, by somebody who takes some neighbours for each other. */
function takenFor(at: StepStatement, mixedUp: readonly number[]): StepStatement[] {
	if (!('index' in at) || mixedUp.length === 0) return [];
	const on = (index: number): StepStatement => ({ kind: 'on', index });
	const { kind, index } = at;
	if (kind !== 'on') return mixedUp.includes(index) ? [on(index), on(index + 1)] : [];
	return [
		...(mixedUp.includes(index - 1) ? [on(index - 1)] : []),
		...(mixedUp.includes(index) ? [on(index + 1)] : [])
	];
}

/** Two people, one vial: what both admit, from the lowest to the highest that either said. */
function spanned(a: Span, b: Span | null): Span {
	if (!b) return a;
	return {
		lower: Math.min(a.lower, b.lower),
		upper: a.upper === null || b.upper === null ? null : Math.max(a.upper, b.upper)
	};
}

function bestOf(method: ColourMethod, reading: StepReading, median: number): number | null {
	const { at, between, second } = reading;
	if (second && JSON.stringify(second) !== JSON.stringify(at)) return between === 'interval' ? null : median;
	if (at.kind === 'on') return method.colourSteps[at.index]!.value;
	if (between === 'interval' || at.kind === 'below' || at.kind === 'above') return null;
	if (between === 'upper-step')
		return 'index' in at ? (method.colourSteps[at.index + 1]?.value ?? null) : null;
	if (between === 'nearer-step') {
		if (at.kind === 'nearer_lower') return method.colourSteps[at.index]!.value;
		if (at.kind === 'nearer_upper') return method.colourSteps[at.index + 1]!.value;
		return null;
	}
	return median;
}

/**
 * Turns a place among colour steps into an interval, or, beyond the ends, into a bound. The interval is what the kit's
 * own spacing leaves open, wider where the reader takes two steps for each other; the sample volume moves its ends, except
 * for pH, which does not scale with the sample.
 */
export function deriveStep(
	method: ColourMethod,
	reading: StepReading,
	{ mixedUp }: KnownReader
): Result<Derivation> {
	const steps = method.colourSteps.map((s) => s.value);
	const first = stepInterval(steps, method.spacing, reading.at);
	if (!first.ok) return first;
	const second = reading.second ? stepInterval(steps, method.spacing, reading.second) : null;
	if (second && !second.ok) return { ok: false, fault: { ...second.fault, field: 'second' } };
	const { parameter, unit: from } = method;
	const unit = PARAMETERS[parameter].canonicalUnit;
	const canonical = (x: number) => convert(x, from, unit);
	const looked = [reading.at, ...(reading.second ? [reading.second] : [])];
	const { lower, upper } = looked
		.flatMap((at) => takenFor(at, mixedUp))
		.reduce(
			(span: Span, at) => {
				const near = stepInterval(steps, method.spacing, at);
				return near.ok ? spanned(span, near.value) : span;
			},
			spanned(first.value, second?.value ?? null)
		);
	const line: ArithmeticLine = { kind: 'step', reading, steps, unit: from, lower, upper };

	if (upper === null) {
		const limit = canonical(lower);
		return ok({
			outcomes: [new BoundOutcome({ kind: 'bound', parameter, unit, sense: '>', limit }, [line])]
		});
	}
	if (reading.at.kind === 'below' && (!reading.second || reading.second.kind === 'below')) {
		const limit = canonical(upper);
		return ok({
			outcomes: [new BoundOutcome({ kind: 'bound', parameter, unit, sense: '<', limit }, [line])]
		});
	}
	const relativeSampleU = parameter === 'ph' ? 0 : method.sampleRelativeTolerance / Math.sqrt(3);
	const moments = momentsWithin(lower, upper, method.spacing);
	const best = bestOf(method, reading, moments.median);
	const widening = 2 * relativeSampleU;
	const result: IntervalResult = {
		kind: 'interval',
		parameter,
		unit,
		lower: canonical(lower) * (1 - widening),
		upper: canonical(upper) * (1 + widening),
		best: best === null ? null : canonical(best),
		uRandom: canonical(moments.u),
		uCommon: canonical(moments.mean) * relativeSampleU
	};
	const inner = { lower: canonical(lower), upper: canonical(upper), log: method.spacing === 'log' };
	return ok({ outcomes: [new StepOutcome(result, inner, relativeSampleU, [line])] });
}
