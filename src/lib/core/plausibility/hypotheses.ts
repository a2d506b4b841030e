import { portionsOf, titrationsOf, type Method } from '../method/index.ts';
import { atLeast, atMost, nearlyEqual, roundTo } from '../numeric/index.ts';
import { convert, PARAMETERS, type UnitId } from '../quantity/index.ts';
import { formOf, type RawReading, type SyringeMarks } from '../reading/index.ts';
import type { SlipKind } from './priors.ts';

/** The reading as it would be without one slip. */
export interface Hypothesis {
	readonly kind: SlipKind;
	readonly reading: RawReading;
	/** The method it was really made with; the same one except where tables were mixed up. */
	readonly method: Method;
	/** Share of this variant within its kind. */
	readonly share: number;
	/** How much what was meant moves per unit of what was entered: densities are compared per entered unit. */
	readonly stretch: number;
}

/** Air between the plunger's edge and the liquid, as part of a syringe's capacity (convention). */
const DEAD_VOLUME_SHARE = 0.06;
/** A syringe bears a number at every tenth mark (convention). */
const NUMBERED_EVERY = 10;
/** The point one place off is usual, two places seldom. */
const SHIFTS = [
	{ by: 10, share: 0.42 },
	{ by: 0.1, share: 0.42 },
	{ by: 100, share: 0.08 },
	{ by: 0.01, share: 0.08 }
] as const;

type Variant = Omit<Hypothesis, 'kind' | 'method'> & { readonly method?: Method };

const swapped = (marks: SyringeMarks): SyringeMarks => ({
	...marks,
	readAs: marks.readAs === 'left' ? 'used' : 'left'
});

/** The last mark of a syringe changed, where the syringe could have shown that. */
function remarked(
	method: Method,
	which: 0 | 1,
	marks: SyringeMarks,
	change: (ml: number) => number
): SyringeMarks | null {
	const meter = titrationsOf(method)[which]?.meter;
	const last = marks.fills.at(-1);
	if (!last || meter?.kind !== 'syringe') return null;
	const lowerMl = roundTo(change(last.end.lowerMl), 1e-6);
	const upperMl = roundTo(change(last.end.upperMl), 1e-6);
	const divisions = lowerMl / meter.graduationMl;
	const onAMark = nearlyEqual(divisions, Math.round(divisions)) || lowerMl !== upperMl;
	if (!atLeast(lowerMl, 0) || !atMost(upperMl, last.startMl) || !onAMark) return null;
	return { ...marks, fills: [...marks.fills.slice(0, -1), { ...last, end: { lowerMl, upperMl } }] };
}

/** Variants of every syringe that a reading names: one, or the two of a pair. */
function ofSyringes(
	method: Method,
	reading: RawReading,
	change: (marks: SyringeMarks, which: 0 | 1) => SyringeMarks | null
): RawReading[] {
	if (reading.form === 'syringe') {
		const marks = change(reading, 0);
		return marks ? [{ ...reading, ...marks }] : [];
	}
	if (reading.form !== 'pair') return [];
	const first = change(reading.first, 0);
	const second = change(reading.second, 1);
	return [
		...(first ? [{ ...reading, first }] : []),
		...(second ? [{ ...reading, second }] : []),
		...(first && second ? [{ ...reading, first, second }] : [])
	];
}

function equally(readings: readonly RawReading[], share = 1, stretch = 1): Variant[] {
	return readings.map((reading) => ({ reading, share: share / readings.length, stretch }));
}

function shiftedBy(method: Method, reading: RawReading, by: number): RawReading[] {
	switch (reading.form) {
		case 'syringe':
		case 'pair':
			return ofSyringes(method, reading, (marks, which) => remarked(method, which, marks, (ml) => ml * by));
		case 'drops':
		case 'difference': {
			const [least, most] = [reading.least * by, reading.most * by];
			return Number.isInteger(least) && Number.isInteger(most) && least >= 1
				? [{ ...reading, least, most }]
				: [];
		}
		case 'display': {
			if (typeof reading.shown !== 'number' || method.kind !== 'display') return [];
			return [{ ...reading, shown: roundTo(reading.shown * by, method.resolution) }];
		}
		case 'stated':
			return reading.says.kind === 'value'
				? [{ ...reading, says: { ...reading.says, value: reading.says.value * by } }]
				: [];
		default:
			return [];
	}
}

function otherUnits(method: Method, reading: RawReading): Variant[] {
	const { units } = PARAMETERS[method.parameter];
	if (reading.form === 'stated') {
		const others = units.filter((u) => u !== reading.unit);
		return others.map((unit) => ({
			reading: { ...reading, unit },
			share: 1 / others.length,
			stretch: Math.abs(convert(1, unit, reading.unit) - convert(0, unit, reading.unit))
		}));
	}
	if (reading.form !== 'display' || typeof reading.shown !== 'number' || method.kind !== 'display') return [];
	const { shown } = reading;
	const others = units.filter((u) => u !== method.unit);
	return others.map((unit: UnitId) => ({
		reading: { ...reading, shown: roundTo(convert(shown, unit, method.unit), method.resolution) },
		share: 1 / others.length,
		stretch: Math.abs(convert(1, unit, method.unit) - convert(0, unit, method.unit))
	}));
}

function otherDilutions(method: Method, reading: RawReading): RawReading[] {
	if (reading.dilution) {
		const { dilution: _, ...plain } = reading;
		return [plain];
	}
	return method.dilutions.map((factor) => ({
		...reading,
		dilution: { sampleMl: 1, diluentMl: factor - 1, diluentHolds: 0 }
	}));
}

function liquidLine(method: Method, reading: RawReading): Variant[] {
	const shifted = (sign: 1 | -1) =>
		ofSyringes(method, reading, (marks, which) => {
			const meter = titrationsOf(method)[which]?.meter;
			if (meter?.kind !== 'syringe') return null;
			const dead = roundTo(DEAD_VOLUME_SHARE * meter.capacityMl, meter.graduationMl);
			// The liquid ends before the plunger does: its line shows less left and more used.
			const by = (marks.readAs === 'left' ? dead : -dead) * sign;
			return remarked(method, which, marks, (ml) => ml + by);
		});
	return [...equally(shifted(1), 0.8), ...equally(shifted(-1), 0.2)];
}

/** Numerals stand upside down on a syringe that is held tip up: the marks are counted the wrong way from the nearest. */
function upsideDown(method: Method, reading: RawReading): RawReading[] {
	return ofSyringes(method, reading, (marks, which) => {
		const meter = titrationsOf(method)[which]?.meter;
		if (meter?.kind !== 'syringe') return null;
		const numbered = NUMBERED_EVERY * meter.graduationMl;
		return remarked(method, which, marks, (ml) => 2 * numbered * Math.round(ml / numbered) - ml);
	});
}

function oneDrop(reading: RawReading): RawReading[] {
	if (reading.form !== 'drops' && reading.form !== 'difference') return [];
	const by = (n: number) => ({ ...reading, least: reading.least + n, most: reading.most + n });
	return [by(1), ...(reading.least > 1 ? [by(-1)] : [])];
}

function otherTables(method: Method, reading: RawReading, others: readonly Method[]): Variant[] {
	const same = others.filter(
		(m) => m.code !== method.code && m.parameter === method.parameter && formOf(m) === reading.form
	);
	return same.map((other) => ({ reading, method: other, share: 1 / same.length, stretch: 1 }));
}

/** Every slip that could stand behind a reading, with the reading as it was then meant. */
export function hypothesesOf(
	method: Method,
	reading: RawReading,
	others: readonly Method[]
): readonly Hypothesis[] {
	const portions = portionsOf(method);
	const all: readonly (readonly [SlipKind, readonly Variant[]])[] = [
		['left-for-used', equally(ofSyringes(method, reading, swapped))],
		['decimal-point', SHIFTS.flatMap(({ by, share }) => equally(shiftedBy(method, reading, by), share, by))],
		['liquid-line', liquidLine(method, reading)],
		['upside-down', equally(upsideDown(method, reading))],
		[
			'portion',
			portions.length > 1
				? equally([{ ...reading, portion: reading.portion === 'full' ? 'half' : 'full' }])
				: []
		],
		['one-drop', equally(oneDrop(reading))],
		['unit', otherUnits(method, reading)],
		['table', otherTables(method, reading, others)],
		['dilution', equally(otherDilutions(method, reading))]
	];
	return all.flatMap(([kind, variants]) => variants.map((v) => ({ method, ...v, kind })));
}
