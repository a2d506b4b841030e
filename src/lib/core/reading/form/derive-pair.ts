import type { PairedMethod } from '../../method/index.ts';
import { ok, type Result } from '../../result/index.ts';
import { combine, type MeasurementModel, type UncertaintyComponent } from '../../uncertainty/index.ts';
import type { ArithmeticLine, Derivation, Outcome } from '../outcome/outcome.ts';
import type { ValueResult } from '../outcome/test-result.ts';
import { deriveTitration, incrementOf, isFirstStop } from '../titration/derive-titration.ts';
import type { TitrationSample } from '../titration/titration-budget.ts';
import type { KnownReader, OwnEye } from './known-reader.ts';
import type { PairReading } from './raw-reading.ts';

/** A titration that began where another had ended: what was overdone there is missing here. */
class SecondOutcome implements Outcome {
	constructor(
		private readonly own: Outcome,
		private readonly carried: UncertaintyComponent,
		readonly result: ValueResult
	) {}
	get components(): readonly UncertaintyComponent[] {
		return [...this.own.components, this.carried];
	}
	get arithmetic(): readonly ArithmeticLine[] {
		return this.own.arithmetic;
	}
	get model(): MeasurementModel | null {
		const { model } = this.own;
		if (!model) return null;
		const { source, repeats, u } = this.carried;
		const n = model.inputs.length;
		return {
			inputs: [...model.inputs, { source, repeats, shape: 'normal', mean: 0, u }],
			evaluate: (x) => Math.max(0, model.evaluate(x) + x[n]!)
		};
	}
}

/**
 * Two titrations in one vial. The second starts where the first ended, so that a first titrant overdone by one drop
 * takes up what belongs to the second: their molar ratio carries the first end point's uncertainty over.
 */
export function derivePair(
	method: PairedMethod,
	sample: TitrationSample,
	reading: PairReading,
	reader: KnownReader
): Result<Derivation> {
	const first = deriveTitration(method.titration, sample, reading.first, {
		endPoint: reading.endPoint,
		reader
	});
	if (!first.ok) return inField(first, 'first');
	const own = isFirstStop(reading.endPoint, reading.first)
		? reader.endPoints[method.titration.parameter]
		: undefined;
	const ratio = strengthOf(method.titration.worth) / strengthOf(method.second.worth);
	const second = deriveTitration(method.second, sample, reading.second, {
		endPoint: reading.endPoint,
		reader: afterFirst(method, reader, own, ratio)
	});
	if (!second.ok) return inField(second, 'second');
	const { result } = second.value;
	if (result.kind !== 'value') return ok({ outcomes: [first.value, second.value] });
	const increment = incrementOf(method.titration);
	const uMl = combine([
		{ u: own ? own.spread * increment : method.titration.endPointU },
		{ u: own ? own.uBias * increment : 0 },
		{ u: increment / Math.sqrt(12) }
	]);
	const perMl = slopeOf(second.value);
	const carried: UncertaintyComponent = {
		source: 'first-end-point',
		repeats: 'random',
		u: Math.abs(perMl) * uMl * ratio
	};
	const widened: ValueResult = { ...result, uRandom: Math.hypot(result.uRandom, carried.u) };
	return ok({ outcomes: [first.value, new SecondOutcome(second.value, carried, widened)] });
}

/** Whoever overdoes the first end point leaves less for the second: what is known of that is given back there. */
function afterFirst(
	method: PairedMethod,
	reader: KnownReader,
	first: OwnEye | undefined,
	ratio: number
): KnownReader {
	const { parameter } = method.second;
	const second = reader.endPoints[parameter];
	if (!first || !second) return reader;
	const missing = (first.bias * incrementOf(method.titration) * ratio) / incrementOf(method.second);
	return {
		...reader,
		endPoints: { ...reader.endPoints, [parameter]: { ...second, bias: second.bias - missing } }
	};
}

/** Where only factors are known, the two titrants are taken to be of like strength. */
function strengthOf(worth: PairedMethod['titration']['worth']): number {
	return worth.by === 'titrant' ? worth.molPerL : 1;
}

function slopeOf(outcome: Outcome): number {
	const line = outcome.arithmetic.find((l) => l.kind === 'worth');
	return line?.kind === 'worth' ? line.perUnit : 0;
}

function inField<T>(result: Result<T> & { ok: false }, where: string): Result<never> {
	const { fault } = result;
	return { ok: false, fault: { ...fault, field: fault.field ? `${where}.${fault.field}` : where } };
}
