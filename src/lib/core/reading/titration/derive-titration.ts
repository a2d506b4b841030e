import { worthAt, type Titration } from '../../method/index.ts';
import { nearlyEqual, roundTo } from '../../numeric/index.ts';
import { convertSpan, PARAMETERS } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import {
	COVERAGE,
	standardUncertaintyOf,
	type MeasurementModel,
	type UncertaintyComponent
} from '../../uncertainty/index.ts';
import type { DropMarks, SyringeMarks } from '../form/raw-reading.ts';
import { BoundOutcome, type ArithmeticLine, type Outcome } from '../outcome/outcome.ts';
import type { BoundResult, TestResult, ValueResult } from '../outcome/test-result.ts';
import { deliveredByFill } from './delivered.ts';
import { faultInDrops } from './drop-reading.ts';
import { habitOf, type EndPoint } from './end-point.ts';
import { faultInSyringeMarks } from './syringe-reading.ts';
import {
	TitrationBudget,
	type TitrationKit,
	type TitrationLooks,
	type TitrationSample
} from './titration-budget.ts';
import { titrationModel } from './titration-model.ts';

/** What was read of one titration, by plunger or by drops. */
export type TitrationMarks = SyringeMarks | DropMarks;

const RELATIVE_RECTANGLE = 1 / Math.sqrt(3);

/** The size of one drop in what titrant is measured in. */
export function incrementOf({ meter }: Titration): number {
	return meter.kind === 'drops' ? 1 : meter.tipDropMl;
}

function buildKit(titration: Titration, sample: TitrationSample): TitrationKit {
	const { worth, meter, parameter } = titration;
	const line = worth.by === 'table' ? null : worthAt(titration, 0, sample.ml, sample.fullMl);
	const onTitrant: { source: 'titrant' | 'drop-size' | 'filtrate'; relativeU: number }[] = [
		{ source: 'titrant', relativeU: titration.titrantRelativeTolerance * RELATIVE_RECTANGLE }
	];
	if (meter.kind === 'drops') {
		onTitrant.push({ source: 'drop-size', relativeU: meter.relativeTolerance * RELATIVE_RECTANGLE });
	}
	if (worth.by === 'excess' && worth.filtrate) {
		onTitrant.push({ source: 'filtrate', relativeU: sample.relativeTolerance * RELATIVE_RECTANGLE });
	}
	return {
		perUnit: line && 'perUnit' in line ? line.perUnit : 0,
		atZero: line && 'perUnit' in line ? line.atZero : 0,
		increment: incrementOf(titration),
		endPointU: titration.endPointU,
		sampleMl: sample.ml,
		sampleToleranceMl: sample.relativeTolerance * sample.ml,
		chartStep:
			worth.by === 'table'
				? convertSpan(worth.printedStep, worth.unit, PARAMETERS[parameter].canonicalUnit)
				: 0,
		onTitrant,
		// The precipitant's strength and the volume of it that was measured out, both to the same tolerance.
		onExcess:
			worth.by === 'excess'
				? [
						{
							source: 'excess-reagent',
							relativeU: Math.SQRT2 * titration.titrantRelativeTolerance * RELATIVE_RECTANGLE
						}
					]
				: [],
		factor: 1,
		factorRelativeU: 0,
		midpoint: true,
		sampleShape: 'rect',
		graduationShape: 'rect'
	};
}

/** Kits are few and their readings many: what follows from a method alone is worked out once. */
const kits = new WeakMap<Titration, Map<number, TitrationKit>>();

function kitOf(titration: Titration, sample: TitrationSample): TitrationKit {
	let known = kits.get(titration);
	if (!known) kits.set(titration, (known = new Map<number, TitrationKit>()));
	let kit = known.get(sample.ml);
	if (!kit) known.set(sample.ml, (kit = buildKit(titration, sample)));
	return kit;
}

// Written out as one literal in each: spreading objects together costs more than all of the arithmetic.
function looksAtSyringe(
	marks: SyringeMarks,
	graduationMl: number,
	shift: number,
	uShift: number
): TitrationLooks {
	let volume = 0;
	let squaredWidths = 0;
	for (let i = 0; i < marks.fills.length; i++) {
		const { startMl, end } = marks.fills[i]!;
		const read = (end.lowerMl + end.upperMl) / 2;
		volume += marks.readAs === 'left' ? deliveredByFill(startMl, read, 0) : read;
		const endWidth = Math.max(graduationMl, end.upperMl - end.lowerMl);
		squaredWidths += graduationMl * graduationMl + endWidth * endWidth;
	}
	return {
		volume: roundTo(volume, 1e-6),
		squaredWidths,
		rangeWidth: 0,
		bad: 0,
		doubtHalfWidth: marks.sure ? 0 : graduationMl,
		shift,
		uShift
	};
}

function looksAtDrops(marks: DropMarks, shift: number, uShift: number): TitrationLooks {
	const { least, most, bad } = marks;
	return {
		volume: (least + most) / 2,
		squaredWidths: 0,
		rangeWidth: most - least,
		bad,
		doubtHalfWidth: 0,
		shift,
		uShift
	};
}

function looksAt(
	titration: Titration,
	marks: TitrationMarks,
	endPoint: EndPoint | undefined
): Result<TitrationLooks> {
	const { meter } = titration;
	const habit = habitOf(endPoint);
	const increment = incrementOf(titration);
	const shift = habit.shiftDrops * increment;
	const uShift = habit.uDrops * increment;
	if (meter.kind === 'syringe' && 'fills' in marks) {
		const fault = faultInSyringeMarks(meter, marks);
		return fault ? { ok: false, fault } : ok(looksAtSyringe(marks, meter.graduationMl, shift, uShift));
	}
	if (meter.kind === 'drops' && 'least' in marks) {
		const fault = faultInDrops(marks);
		return fault ? { ok: false, fault } : ok(looksAtDrops(marks, shift, uShift));
	}
	return fail('wrong-form');
}

/** A titration as it was read, with what its kit makes of it. */
interface Titrated {
	readonly titration: Titration;
	readonly sample: TitrationSample;
	readonly marks: TitrationMarks;
	readonly endPoint: EndPoint | undefined;
	readonly kit: TitrationKit;
	readonly looks: TitrationLooks;
}

/** One titration's result. Arithmetic, budget and model are made when they are asked for. */
export class TitrationOutcome implements Outcome {
	readonly looks: TitrationLooks;

	constructor(
		private readonly titrated: Titrated,
		readonly result: ValueResult
	) {
		this.looks = titrated.looks;
	}

	private get budget(): TitrationBudget {
		return new TitrationBudget(this.titrated.kit, this.looks);
	}
	get components(): readonly UncertaintyComponent[] {
		return this.budget.components;
	}
	get arithmetic(): readonly ArithmeticLine[] {
		const { titration, sample, marks, endPoint } = this.titrated;
		const meter = titration.meter.kind;
		const { increment, perUnit, atZero } = this.titrated.kit;
		const { budget } = this;
		const lines = linesOfMarks(marks, this.looks.volume);
		lines.push({ kind: 'half-last-drop', meter, drop: increment, remaining: budget.volume });
		if (this.looks.shift !== 0 && endPoint) {
			lines.push({ kind: 'habit', meter, endPoint, shift: this.looks.shift });
		}
		lines.push({
			kind: 'worth',
			parameter: titration.parameter,
			meter,
			worth: titration.worth,
			perUnit,
			atZero,
			sampleMl: sample.ml,
			volume: budget.volume,
			value: this.result.value
		});
		return lines;
	}
	get model(): MeasurementModel {
		const { titration, sample, kit } = this.titrated;
		return titrationModel(titration, sample, kit, this.looks);
	}
}

function linesOfMarks(marks: TitrationMarks, volume: number): ArithmeticLine[] {
	if ('least' in marks) {
		return [{ kind: 'drops', least: marks.least, most: marks.most, bad: marks.bad }];
	}
	const lines: ArithmeticLine[] = marks.fills.map(({ startMl, end }) => {
		const read = (end.lowerMl + end.upperMl) / 2;
		const endMl = roundTo(marks.readAs === 'left' ? read : startMl - read, 1e-6);
		return {
			kind: 'fill',
			readAs: marks.readAs,
			startMl,
			endMl,
			usedMl: roundTo(startMl - endMl, 1e-6)
		};
	});
	if (marks.fills.length > 1) lines.push({ kind: 'total', usedMl: volume });
	return lines;
}

function boundOf(
	{ parameter }: Titration,
	marks: TitrationMarks,
	looks: TitrationLooks,
	{ sense, limit }: Pick<BoundResult, 'sense' | 'limit'>
): Outcome {
	const unit = PARAMETERS[parameter].canonicalUnit;
	const result: TestResult = { kind: 'bound', parameter, unit, sense, limit: Math.max(0, limit) };
	return new BoundOutcome(result, linesOfMarks(marks, looks.volume));
}

/** Titrant delivered as read, mL or drops; null where the reading cannot be. */
export function volumeOf(titration: Titration, marks: TitrationMarks): number | null {
	const looks = looksAt(titration, marks, undefined);
	return looks.ok ? looks.value.volume : null;
}

/**
 * Turns what was read of a titration into a result with its budget. Half the last drop is taken off, since the colour
 * turned somewhere within it. A colour that had turned before anything was added is a bound, and so is a volume
 * beyond the ends of the leaflet's table.
 *
 * @returns in the parameter's canonical unit; fails where the marks cannot have been read
 */
export function deriveTitration(
	titration: Titration,
	sample: TitrationSample,
	marks: TitrationMarks,
	endPoint: EndPoint | undefined
): Result<Outcome> {
	const read = looksAt(titration, marks, endPoint);
	if (!read.ok) return read;
	const looks = read.value;
	let kit = kitOf(titration, sample);
	if (titration.worth.by === 'table') {
		const { volume } = new TitrationBudget(kit, looks);
		const line = worthAt(titration, volume, sample.ml, sample.fullMl);
		if ('sense' in line) return ok(boundOf(titration, marks, looks, line));
		kit = { ...kit, ...line };
	}
	if (nearlyEqual(looks.volume, 0)) {
		const limit = kit.atZero + kit.perUnit * kit.increment;
		return ok(boundOf(titration, marks, looks, { sense: kit.perUnit > 0 ? '<' : '>', limit }));
	}
	const budget = new TitrationBudget(kit, looks);
	const { value, uRandom, uCommon } = budget;
	if (value < 0 && value < -COVERAGE * standardUncertaintyOf({ uRandom, uCommon })) {
		return fail('beyond-excess', undefined, { volume: looks.volume });
	}
	const { parameter } = titration;
	return ok(
		new TitrationOutcome(
			{ titration, sample, marks, endPoint, kit, looks },
			{
				kind: 'value',
				parameter,
				unit: PARAMETERS[parameter].canonicalUnit,
				// A reading of less than half a drop cannot mean less than nothing.
				value: Math.max(0, value),
				uRandom,
				uCommon
			}
		)
	);
}
