import { worthAt, type Titration } from '../../method/index.ts';
import { nearlyEqual, roundTo } from '../../numeric/index.ts';
import { convertSpan, PARAMETERS } from '../../quantity/index.ts';
import { fail, ok, type Fault, type Result } from '../../result/index.ts';
import { COVERAGE, type MeasurementModel, type UncertaintyComponent } from '../../uncertainty/index.ts';
import { ANYBODY, beyondRounding, type KnownReader, type OwnEye } from '../form/known-reader.ts';
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

/** Who read it, and by which habit. */
export interface ReadBy {
	readonly endPoint: EndPoint | undefined;
	readonly reader: KnownReader;
}
const BY_ANYBODY: ReadBy = { endPoint: undefined, reader: ANYBODY };

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

/** A titration of one size of sample, with what follows from the method alone. */
interface Titrated {
	readonly titration: Titration;
	readonly sample: TitrationSample;
	readonly kit: TitrationKit;
}

/** Kits are few and their readings many: what follows from a method alone is worked out once. */
const known = new WeakMap<Titration, Map<number, Titrated>>();
/** The last one, since readings come kit by kit. */
let last: Titrated | null = null;

function titratedOf(titration: Titration, sample: TitrationSample): Titrated {
	if (last !== null && last.titration === titration && last.sample.ml === sample.ml) return last;
	let sizes = known.get(titration);
	if (!sizes) known.set(titration, (sizes = new Map<number, Titrated>()));
	let one = sizes.get(sample.ml);
	if (!one) sizes.set(sample.ml, (one = { titration, sample, kit: buildKit(titration, sample) }));
	last = one;
	return one;
}

/** What whoever reads brings along, in the unit of the titrant. */
type OfReader = Pick<TitrationLooks, 'shift' | 'uShift' | 'ownShift' | 'uOwnShift' | 'ownEndPointU'>;

// Written out as one literal in each: spreading objects together costs more than all of the arithmetic.
function looksAtSyringe(
	marks: SyringeMarks,
	graduationMl: number,
	habit: OfReader,
	scale: OwnEye | null
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
		shift: habit.shift,
		uShift: habit.uShift,
		ownShift: habit.ownShift,
		uOwnShift: habit.uOwnShift,
		ownEndPointU: habit.ownEndPointU,
		uOwnScale: scale === null ? 0 : Math.sqrt(2 * marks.fills.length) * graduationMl * beyondRounding(scale)
	};
}

function looksAtDrops(marks: DropMarks, habit: OfReader): TitrationLooks {
	const { least, most, bad } = marks;
	return {
		volume: (least + most) / 2,
		squaredWidths: 0,
		rangeWidth: most - least,
		bad,
		doubtHalfWidth: 0,
		shift: habit.shift,
		uShift: habit.uShift,
		ownShift: habit.ownShift,
		uOwnShift: habit.uOwnShift,
		ownEndPointU: habit.ownEndPointU,
		uOwnScale: 0
	};
}

/** Why a titration cannot have been read so; null where it can. */
function faultInMarks({ meter }: Titration, marks: TitrationMarks): Fault | null {
	if (meter.kind === 'syringe' && 'fills' in marks) return faultInSyringeMarks(meter, marks);
	if (meter.kind === 'drops' && 'least' in marks) return faultInDrops(marks, meter);
	return { code: 'wrong-form' };
}

/**
 * An eye was measured of stopping at the first full colour: of another habit, and of an end that was watched again and
 * moved on, it says nothing.
 */
export const isFirstStop = (endPoint: EndPoint | undefined, { addedAfter = 0 }: TitrationMarks): boolean =>
	(endPoint === undefined || endPoint === 'full') && addedAfter === 0;

/** @param marks without a fault */
function looksAt(titration: Titration, marks: TitrationMarks, { endPoint, reader }: ReadBy): TitrationLooks {
	const { meter, parameter } = titration;
	const habit = habitOf(endPoint);
	const increment = incrementOf(titration);
	const own = isFirstStop(endPoint, marks) ? reader.endPoints[parameter] : undefined;
	const ofReader: OfReader = {
		shift: habit.shiftDrops * increment,
		uShift: habit.uDrops * increment,
		ownShift: own ? -own.bias * increment : 0,
		uOwnShift: own ? own.uBias * increment : 0,
		ownEndPointU: own ? own.spread * increment : null
	};
	return 'fills' in marks
		? looksAtSyringe(marks, meter.kind === 'syringe' ? meter.graduationMl : 0, ofReader, reader.scale)
		: looksAtDrops(marks, ofReader);
}

/** One titration's result. Arithmetic, budget and model are made when they are asked for. */
export class TitrationOutcome implements Outcome {
	constructor(
		private readonly titrated: Titrated,
		private readonly marks: TitrationMarks,
		private readonly by: ReadBy,
		readonly result: ValueResult
	) {}

	get looks(): TitrationLooks {
		return looksAt(this.titrated.titration, this.marks, this.by);
	}
	private get budget(): TitrationBudget {
		return new TitrationBudget(this.titrated.kit, this.looks);
	}
	get components(): readonly UncertaintyComponent[] {
		return this.budget.components;
	}
	get arithmetic(): readonly ArithmeticLine[] {
		const { marks } = this;
		const { endPoint } = this.by;
		const { titration, sample, kit } = this.titrated;
		const meter = titration.meter.kind;
		const { increment, perUnit, atZero } = kit;
		const { budget } = this;
		const { looks } = budget;
		const lines = linesOfMarks(marks, looks.volume);
		lines.push({ kind: 'half-last-drop', meter, drop: increment, remaining: budget.volume });
		if (looks.shift !== 0 && endPoint) {
			lines.push({ kind: 'habit', meter, endPoint, shift: looks.shift });
		}
		if (looks.ownEndPointU !== null) {
			const { ownShift: shift, uOwnShift: u } = looks;
			lines.push({ kind: 'own-eye', meter, shift, u });
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
	return faultInMarks(titration, marks) ? null : looksAt(titration, marks, BY_ANYBODY).volume;
}

/**
 * Turns what was read of a titration into a result with its budget. Half the last drop is taken off, since the colour
 * turned somewhere within it. A colour that had turned before anything was added is a bound, and so is a volume
 * beyond the ends of the leaflet's table.
 *
 * @param by where they stopped by habit, and whose bias is taken off, whose spread takes the place of the kit's assumption
 * @returns in the parameter's canonical unit; fails where the marks cannot have been read
 */
export function deriveTitration(
	titration: Titration,
	sample: TitrationSample,
	marks: TitrationMarks,
	by: ReadBy = BY_ANYBODY
): Result<Outcome> {
	const fault = faultInMarks(titration, marks);
	if (fault) return { ok: false, fault };
	const looks = looksAt(titration, marks, by);
	let titrated = titratedOf(titration, sample);
	if (titration.worth.by === 'table') {
		const { volume } = new TitrationBudget(titrated.kit, looks);
		const line = worthAt(titration, volume, sample.ml, sample.fullMl);
		if ('sense' in line) return ok(boundOf(titration, marks, looks, line));
		titrated = { titration, sample, kit: { ...titrated.kit, ...line } };
	}
	const { kit } = titrated;
	if (nearlyEqual(looks.volume, 0)) {
		const limit = kit.atZero + kit.perUnit * kit.increment;
		return ok(boundOf(titration, marks, looks, { sense: kit.perUnit > 0 ? '<' : '>', limit }));
	}
	const budget = new TitrationBudget(kit, looks);
	const { value, uRandom, uCommon } = budget;
	if (value < 0 && value < -COVERAGE * Math.sqrt(uRandom * uRandom + uCommon * uCommon)) {
		return fail('beyond-excess', undefined, { volume: looks.volume });
	}
	const { parameter } = titration;
	return ok(
		new TitrationOutcome(titrated, marks, by, {
			kind: 'value',
			parameter,
			unit: PARAMETERS[parameter].canonicalUnit,
			// A reading of less than half a drop cannot mean less than nothing.
			value: Math.max(0, value),
			uRandom,
			uCommon
		})
	);
}
