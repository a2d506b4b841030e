import { portionsOf, SHIPPED_METHODS, titrationsOf, type Method } from '../../src/lib/core/method/index.ts';
import { roundTo, seededRandom, type Random } from '../../src/lib/core/numeric/index.ts';
import { SLIP_KINDS, weighReading, type SlipKind } from '../../src/lib/core/plausibility/index.ts';
import { convert, PARAMETERS, type ParameterId } from '../../src/lib/core/quantity/index.ts';
import {
	derive,
	formOf,
	pointOf,
	type RawReading,
	type SyringeMarks
} from '../../src/lib/core/reading/index.ts';
import {
	CALM_READER,
	ordinaryLife,
	readBy,
	simulateWater,
	type Levels,
	type SimulatedReading,
	type TankKind
} from '../../src/lib/core/tank/index.ts';
import { addDays, instant } from '../../src/lib/core/time/index.ts';
import { estimateWater } from '../../src/lib/core/trend/index.ts';
import { historiesOf, observationsOf, stateAt } from './history.ts';

/** One reading and what became of it. */
export interface SlipRun {
	readonly kind: TankKind;
	readonly kit: string;
	readonly parameter: ParameterId;
	readonly slip: SlipKind | null;
	/** The slip moved the result by more than four standard deviations of (reading − prediction). */
	readonly counts: boolean;
	readonly asked: boolean;
	/** The true slip was the first or second explanation. */
	readonly caught: boolean;
	/** Posterior of all slips together, for the trade-off curve. */
	readonly slipped: number;
	readonly named: readonly SlipKind[];
}

const SLIP_SHARE = 0.03;
const DEAD_ML_SHARE = 0.06;

const lastMark = (
	marks: SyringeMarks,
	change: (ml: number) => number,
	graduationMl: number
): SyringeMarks | null => {
	const last = marks.fills.at(-1)!;
	const ml = roundTo(change(last.end.lowerMl), graduationMl);
	if (ml < 0 || ml > last.startMl) return null;
	return { ...marks, fills: [...marks.fills.slice(0, -1), { ...last, end: { lowerMl: ml, upperMl: ml } }] };
};

/** One or both syringes of a reading changed, as a hurried hand would. */
function inSyringe(
	random: Random,
	method: Method,
	reading: RawReading,
	change: (marks: SyringeMarks, graduationMl: number, capacityMl: number) => SyringeMarks | null
): RawReading | null {
	const meterOf = (i: number) => titrationsOf(method)[i]?.meter;
	const changed = (marks: SyringeMarks, i: number) => {
		const meter = meterOf(i);
		return meter?.kind === 'syringe' ? change(marks, meter.graduationMl, meter.capacityMl) : null;
	};
	if (reading.form === 'syringe') {
		const marks = changed(reading, 0);
		return marks && { ...reading, ...marks };
	}
	if (reading.form !== 'pair') return null;
	const which = random() < 0.5 ? 'first' : 'second';
	const marks = changed(reading[which], which === 'first' ? 0 : 1);
	return marks && { ...reading, [which]: marks };
}

/** The reading as somebody enters it who makes this slip; null where nobody could. */
export function mistaken(
	random: Random,
	slip: SlipKind,
	method: Method,
	reading: RawReading,
	levels: Readonly<Levels>
): RawReading | null {
	switch (slip) {
		case 'left-for-used':
			return inSyringe(random, method, reading, (m) => ({
				...m,
				readAs: m.readAs === 'left' ? 'used' : 'left'
			}));
		case 'decimal-point': {
			const by = random() < 0.5 ? 10 : 0.1;
			if (reading.form === 'syringe' || reading.form === 'pair')
				return inSyringe(random, method, reading, (m, graduation) =>
					lastMark(m, (ml) => ml * by, graduation)
				);
			if (reading.form === 'drops' || reading.form === 'difference') {
				const n = Math.round(reading.least * by);
				return n < 1 ? null : { ...reading, least: n, most: n };
			}
			if (reading.form === 'display' && typeof reading.shown === 'number' && method.kind === 'display')
				return { ...reading, shown: roundTo(reading.shown * by, method.resolution) };
			return null;
		}
		case 'liquid-line':
			return inSyringe(random, method, reading, (m, graduation, capacity) => {
				const dead = DEAD_ML_SHARE * capacity;
				return lastMark(m, (ml) => (m.readAs === 'left' ? ml - dead : ml + dead), graduation);
			});
		case 'upside-down':
			return inSyringe(random, method, reading, (m, graduation) =>
				lastMark(m, (ml) => 20 * graduation * Math.round(ml / (10 * graduation)) - ml, graduation)
			);
		case 'portion':
			return portionsOf(method).length > 1
				? { ...reading, portion: reading.portion === 'full' ? 'half' : 'full' }
				: null;
		case 'one-drop': {
			if (reading.form !== 'drops' && reading.form !== 'difference') return null;
			const n = reading.least + (random() < 0.5 ? 1 : -1);
			return n < 1 ? null : { ...reading, least: n, most: n };
		}
		case 'unit': {
			if (reading.form !== 'display' || method.kind !== 'display' || typeof reading.shown !== 'number')
				return null;
			const others = PARAMETERS[method.parameter].units.filter((u) => u !== method.unit);
			const unit = others[Math.floor(random() * others.length)];
			if (!unit) return null;
			const meant = convert(reading.shown, method.unit, unit);
			const shown = roundTo(meant, method.resolution);
			// What the display could never have shown is refused when it is entered.
			return Math.abs(shown - meant) <= 0.02 * Math.abs(meant) ? { ...reading, shown } : null;
		}
		case 'table': {
			// Read with another kit than the one that was opened on the screen.
			const others = SHIPPED_METHODS.filter(
				(m) => m.code !== method.code && m.parameter === method.parameter && formOf(m) === reading.form
			);
			const other = others[Math.floor(random() * others.length)];
			const read = other && readBy(random, other, levels, CALM_READER);
			return read && derive(method, read).ok ? read : null;
		}
		case 'dilution': {
			const { dilution, ...plain } = reading;
			return dilution ? plain : null;
		}
	}
}

/** Runs one tank for a year with slips in three readings of a hundred, each judged as the bench would at its time. */
export function slipRuns(kind: TankKind, seed: number, days = 365): SlipRun[] {
	const start = instant(Date.UTC(2025, 0, 1));
	const life = ordinaryLife(kind, { seed, start, days });
	const truth = simulateWater(life.script);
	const random = seededRandom(seed * 31 + 7);
	const saved: SimulatedReading[] = [];
	const runs: SlipRun[] = [];
	for (const one of truth.readings) {
		const { at, method, reading } = one;
		const { levels } = stateAt(truth, at);
		const possible =
			random() < SLIP_SHARE
				? SLIP_KINDS.flatMap((slip) => {
						const wrong = mistaken(random, slip, method, reading, levels);
						return wrong ? [{ slip, wrong }] : [];
					})
				: [];
		const made = possible[Math.floor(random() * possible.length)] ?? null;
		const entered = made?.wrong ?? reading;
		const parameter = method.parameter;
		const early = at < addDays(start, 28);
		const estimates = early ? null : estimateWater(historiesOf(life, observationsOf(saved), at), at);
		const expected = (p: ParameterId) => {
			const estimate = estimates?.of(p);
			return estimate && estimate.basedOn > 1 ? estimate.at(at) : null;
		};
		const others = SHIPPED_METHODS.filter((m) => formOf(m) === formOf(method));
		const assessment = estimates && weighReading(method, entered, expected, { others });
		const derived = derive(method, entered);
		if (!assessment || !derived.ok) {
			saved.push(one);
			continue;
		}
		const meant = derive(method, reading);
		const value = (d: ReturnType<typeof derive>) => (d.ok ? pointOf(d.value.outcomes[0].result) : null);
		const [wrongPoint, rightPoint] = [value(derived), value(meant)];
		const prediction = expected(parameter);
		const sd = Math.hypot(wrongPoint?.uRandom ?? 0, rightPoint?.uRandom ?? 0, prediction?.uRandom ?? 0);
		const moved = wrongPoint && rightPoint ? Math.abs(wrongPoint.value - rightPoint.value) : Infinity;
		const asked = assessment.ask.length > 0;
		const named = assessment.ask.map((c) => c.kind);
		const caught = asked && made !== null && named.includes(made.slip);
		runs.push({
			kind,
			kit: method.code,
			parameter,
			slip: made?.slip ?? null,
			counts: made !== null && moved > 4 * sd,
			asked,
			caught,
			slipped: assessment.candidates.reduce((s, c) => s + c.probability, 0),
			named
		});
		// What is caught is put right; what is not stands in the log as it was entered.
		saved.push(made && !caught ? { ...one, reading: entered } : one);
	}
	return runs;
}
