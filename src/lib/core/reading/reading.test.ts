import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	CA_SYRINGE,
	GH_DROPS,
	HARDNESS_DROPS,
	K_QUICK,
	PO4_METER,
	resultPerUnit,
	SALINITY_FLOAT,
	SALINITY_GLASS,
	SALINITY_METER,
	statedMethodFor,
	THERMOMETER,
	titrationsOf,
	type Method
} from '../method/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
import {
	boundsOf,
	derive,
	marksAround,
	otherScale,
	volumeOf,
	type DropReading,
	type RawReading,
	type SyringeReading
} from './index.ts';

const read = (readAs: 'left' | 'used', ml: number, change: Partial<SyringeReading> = {}): SyringeReading => ({
	form: 'syringe',
	portion: 'full',
	readAs,
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true,
	...change
});
const outcomeOf = (method: Method, reading: RawReading, which = 0) => {
	const derived = derive(method, reading);
	if (!derived.ok) throw new Error(JSON.stringify(derived));
	return derived.value.outcomes[which]!;
};
const valueOf = (reading: RawReading, method: Method = ALK_SYRINGE, which = 0) => {
	const { result } = outcomeOf(method, reading, which);
	if (result.kind !== 'value') throw new Error(JSON.stringify(result));
	return result;
};
const faultOf = (method: Method, reading: RawReading) => {
	const derived = derive(method, reading);
	return derived.ok ? null : derived.fault.code;
};
const marks = fc.integer({ min: 3, max: 97 }).map((n) => n / 100);

describe('a syringe reading becomes a result', () => {
	it('by arithmetic that can be followed', () => {
		const outcome = outcomeOf(ALK_SYRINGE, read('left', 0.42));
		// (1.00 − 0.42 − 0.0075) mL × 5.00 meq/L per mL × 2.80385 dKH per meq/L
		expect(valueOf(read('left', 0.42)).value).toBeCloseTo(0.5725 * 5 * 2.80385, 10);
		expect(volumeOf(titrationsOf(ALK_SYRINGE)[0]!, read('left', 0.42))).toBe(0.58);
		expect(outcome.arithmetic.map((l) => l.kind)).toEqual(['fill', 'half-last-drop', 'worth']);
		expect(outcome.components.map((c) => c.source)).not.toContain('factor');
	});
	it('the same from what is left and from what was used', () => {
		fc.assert(
			fc.property(marks, (ml) => {
				const other = otherScale(1, { lowerMl: ml, upperMl: ml });
				expect(valueOf(read('left', ml))).toEqual(
					valueOf(read('used', ml, { fills: [{ startMl: 1, end: other }] }))
				);
			})
		);
	});
	it('the same in one filling as in two', () => {
		const one = valueOf(read('used', 0.8));
		const two = valueOf(
			read('used', 0, {
				fills: [
					{ startMl: 0.5, end: { lowerMl: 0.5, upperMl: 0.5 } },
					{ startMl: 1, end: { lowerMl: 0.3, upperMl: 0.3 } }
				]
			})
		);
		expect(two.value).toBeCloseTo(one.value, 10);
		expect(two.uRandom).toBeGreaterThan(one.uRandom);
	});
	it('wider when between marks far apart, and when not sure', () => {
		const sure = standardUncertaintyOf(valueOf(read('left', 0.42)));
		expect(standardUncertaintyOf(valueOf(read('left', 0.42, { sure: false })))).toBeGreaterThan(sure);
		const range = read('left', 0, { fills: [{ startMl: 1, end: { lowerMl: 0.4, upperMl: 0.44 } }] });
		expect(valueOf(range).value).toBeCloseTo(valueOf(read('left', 0.42)).value, 10);
		expect(standardUncertaintyOf(valueOf(range))).toBeGreaterThan(sure);
	});
	it('coarser with half the sample', () => {
		const full = valueOf(read('used', 0.58));
		const half = valueOf(read('used', 0.29, { portion: 'half' }));
		expect(half.value / full.value).toBeCloseTo(((0.29 - 0.0075) / (0.58 - 0.0075)) * 2, 10);
		expect(half.uRandom).toBeGreaterThan(1.9 * full.uRandom);
	});
	it('rising with the volume used, by what a mark is worth', () => {
		fc.assert(
			fc.property(marks, (ml) => {
				fc.pre(ml < 0.97);
				const step =
					valueOf(read('used', Math.round(ml * 100 + 1) / 100), CA_SYRINGE).value -
					valueOf(read('used', ml), CA_SYRINGE).value;
				expect(step).toBeCloseTo(resultPerUnit(CA_SYRINGE.titration, 3, 3) / 100, 8);
			})
		);
	});
	it('as a bound when the colour had turned before anything was added', () => {
		const { result, components, model } = outcomeOf(ALK_SYRINGE, read('used', 0));
		expect(result).toMatchObject({ kind: 'bound', sense: '<' });
		expect([components, model]).toEqual([[], null]);
	});
	it('never below zero', () => {
		expect(valueOf(read('used', 0.005)).value).toBe(0);
		expect(boundsOf(valueOf(read('used', 0.01))).lower).toBe(0);
	});
});

describe('what no syringe can have shown is refused', () => {
	const fault = (reading: SyringeReading) => faultOf(ALK_SYRINGE, reading);
	it.each([
		['beyond-syringe', read('left', 4.2)],
		['below-zero', read('left', -0.1)],
		['finer-than-scale', read('left', 0.4237)],
		['not-a-number', read('left', Number.NaN)],
		['not-a-number', read('left', '0.4' as never)],
		[
			'start-below-end',
			read('left', 0.8, { fills: [{ startMl: 0.5, end: { lowerMl: 0.8, upperMl: 0.8 } }] })
		],
		['range-reversed', read('left', 0, { fills: [{ startMl: 1, end: { lowerMl: 0.5, upperMl: 0.4 } }] })],
		['no-fill', read('left', 0, { fills: [] })],
		['portion-unknown', read('left', 0.4, { portion: 'double' as never })],
		[
			'too-many-fills',
			read('left', 0, {
				fills: Array.from({ length: 7 }, () => ({ startMl: 1, end: { lowerMl: 0, upperMl: 0 } }))
			})
		]
	])('%s', (code, reading) => expect(fault(reading)).toBe(code));
	it('but a mark, the middle between two, and the full syringe are taken', () => {
		for (const ml of [0, 0.41, 0.415, 1, 0.1 + 0.2]) expect(fault(read('left', ml))).toBeNull();
	});
});

const drops = (count: number, change: Partial<DropReading> = {}): DropReading => ({
	form: 'drops',
	portion: 'full',
	least: count,
	most: count,
	bad: 0,
	...change
});

describe('drops become a result', () => {
	it('in the middle of the last drop', () => {
		expect(valueOf(drops(21), ALK_DROPS).value).toBeCloseTo(20.5 * 0.4004, 2);
		expect(valueOf(drops(16), K_QUICK).value).toBeCloseTo(645.1 - 15.64 * 15.5, 0);
		expect(valueOf(drops(1), GH_DROPS).value).toBeCloseTo(0.5, 10);
	});
	it('wider for a range and for bad drops, each of which is half of one on average', () => {
		const plain = valueOf(drops(42), CA_DROPS);
		const range = valueOf(drops(42, { least: 41, most: 43 }), CA_DROPS);
		expect(range.value).toBeCloseTo(plain.value, 10);
		expect(range.uRandom).toBeGreaterThan(plain.uRandom);
		const bad = valueOf(drops(42, { bad: 2 }), CA_DROPS);
		expect(plain.value - bad.value).toBeCloseTo(resultPerUnit(CA_DROPS.titration, 8, 8), 8);
		expect(bad.uRandom).toBeGreaterThan(plain.uRandom);
	});
	it('with the habit of the hand taken out', () => {
		const perDrop = resultPerUnit(ALK_DROPS.titration, 10, 10);
		const full = valueOf(drops(21), ALK_DROPS);
		const hint = valueOf(drops(20, { endPoint: 'first-hint' }), ALK_DROPS);
		const more = valueOf(drops(22, { endPoint: 'one-more-counted' }), ALK_DROPS);
		expect(hint.value).toBeCloseTo(full.value, 10);
		expect(more.value).toBeCloseTo(full.value, 10);
		expect(hint.uRandom).toBeGreaterThan(full.uRandom);
		expect(valueOf(drops(21, { endPoint: 'one-more-left-out' }), ALK_DROPS)).toEqual(full);
		expect(valueOf(drops(22), ALK_DROPS).value - full.value).toBeCloseTo(perDrop, 10);
	});
	it('as a bound when the first drop was not even needed', () => {
		expect(outcomeOf(GH_DROPS, drops(0)).result).toMatchObject({ kind: 'bound', sense: '<', limit: 1 });
		const k = outcomeOf(K_QUICK, drops(0)).result;
		expect(k).toMatchObject({ kind: 'bound', sense: '>' });
		expect(outcomeOf(CA_DROPS, drops(0)).arithmetic).toHaveLength(1);
	});
	it.each([
		['below-zero', drops(-1)],
		['finer-than-marks', drops(3.5)],
		['not-a-number', drops(Number.NaN)],
		['beyond-scale', drops(4000)],
		['range-reversed', drops(4, { least: 5 })],
		['beyond-scale', drops(4, { bad: 5 })],
		['wrong-form', { ...read('left', 0.4) }]
	])('not if %s', (code, reading) => expect(faultOf(CA_DROPS, reading)).toBe(code));
	it('not if more was titrated back than the excess held', () => {
		expect(faultOf(K_QUICK, drops(60))).toBe('beyond-excess');
	});
});

describe('two titrations in one vial', () => {
	const pair = (a: number, b: number): RawReading => ({
		form: 'pair',
		portion: 'full',
		first: read('used', a),
		second: read('used', b)
	});
	it('give two results, the second unsure of where the first ended', () => {
		const reading = pair(0.83, 0.85);
		expect(valueOf(reading, CA_MG_PAIR).value).toBeCloseTo((0.83 - 0.0075) * 515.3, 0);
		const magnesium = valueOf(reading, CA_MG_PAIR, 1);
		expect(magnesium).toMatchObject({ parameter: 'magnesium' });
		expect(magnesium.value).toBeCloseTo((0.85 - 0.0075) * 1562.5, 0);
		const { components } = outcomeOf(CA_MG_PAIR, reading, 1);
		const carried = components.find((c) => c.source === 'first-end-point')!;
		// One tip drop of 0.045 mol/L is a fifth of one of 0.225 mol/L: 0.015/5 mL at 1562.5 mg/L per mL, and a little more.
		expect(carried.u).toBeGreaterThan(4.6);
		expect(carried.u).toBeLessThan(5.1);
	});
	it('say which of the two is wrong', () => {
		const derived = derive(CA_MG_PAIR, pair(0.83, 4));
		expect(derived).toMatchObject({ ok: false, fault: { field: 'second.fills.0.end.lowerMl' } });
	});
});

describe('a difference', () => {
	const subtract = { value: 430, uRandom: 6, uCommon: 4, runId: null };
	const total = (count: number, change: object = {}): RawReading => ({
		form: 'difference',
		portion: 'full',
		least: count,
		most: count,
		bad: 0,
		subtract: { ...subtract, ...change }
	});
	it('takes calcium off by moles, and its uncertainty with it', () => {
		const result = valueOf(total(26), HARDNESS_DROPS);
		expect(result.value).toBeCloseTo(25.5 * 60.7625 - 0.606442 * 430, 1);
		const without = valueOf(total(26, { uRandom: 0, uCommon: 0 }), HARDNESS_DROPS);
		expect(result.uRandom).toBeCloseTo(Math.hypot(without.uRandom, 0.606442 * 6), 6);
	});
	it('or plainly, where the leaflet says so', () => {
		const plain = { ...HARDNESS_DROPS, subtract: { parameter: 'calcium', by: 'plain' } } as const;
		const lower = valueOf(total(26), plain).value;
		expect(valueOf(total(26), HARDNESS_DROPS).value - lower).toBeCloseTo(0.393558 * 430, 1);
	});
	it('is refused where more is taken off than there is', () => {
		expect(faultOf(HARDNESS_DROPS, total(3))).toBe('less-than-nothing');
		expect(faultOf(HARDNESS_DROPS, total(26, { value: -1 }))).toBe('below-zero');
	});
});

describe('a display, a line, a thermometer', () => {
	const display = (shown: number | 'over' | 'under'): RawReading => ({
		form: 'display',
		portion: 'full',
		shown,
		temperatureC: null
	});
	const line = (lower: number, upper = lower, temperatureC: number | null = null): RawReading => ({
		form: 'line',
		portion: 'full',
		lower,
		upper,
		temperatureC
	});
	it('is brought to its parameter’s unit, with the greater of both tolerances', () => {
		const alkalinity = valueOf(display(143), ALK_METER);
		expect(alkalinity.value).toBeCloseTo(143 * 0.05602882, 5);
		// 6 mg/L is more than 4 % of 143; rectangular.
		expect(standardUncertaintyOf(alkalinity)).toBeCloseTo((6 / Math.sqrt(3)) * 0.05602882, 2);
		expect(valueOf(display(31), PO4_METER).value).toBeCloseTo(0.09505, 5);
	});
	it('says over as a bound', () => {
		expect(outcomeOf(PO4_METER, display('over')).result).toMatchObject({ kind: 'bound', sense: '>' });
		expect(faultOf(PO4_METER, display('under'))).toBe('no-such-step');
		expect(faultOf(PO4_METER, display(201))).toBe('beyond-scale');
		expect(faultOf(PO4_METER, display(3.5))).toBe('finer-than-marks');
		expect(faultOf(PO4_METER, display(-3))).toBe('below-zero');
	});
	it('finds salinity from specific gravity at its own temperatures', () => {
		expect(valueOf(line(1.0265, 1.0265), SALINITY_GLASS).value).toBeCloseTo(34.86, 1);
		expect(valueOf(line(1.026, 1.027), SALINITY_GLASS).value).toBeCloseTo(34.86, 1);
		expect(valueOf(line(1.026, 1.026, 25), SALINITY_FLOAT).value).toBeCloseTo(34.51, 1);
		expect(valueOf(line(1.026, 1.026, 20), SALINITY_FLOAT).value).toBeLessThan(33);
		expect(faultOf(SALINITY_FLOAT, line(1.026))).toBe('temperature-missing');
		expect(faultOf(SALINITY_GLASS, line(1.2))).toBe('beyond-scale');
		expect(faultOf(SALINITY_GLASS, line(1.0261))).toBe('finer-than-marks');
		expect(
			valueOf({ ...line(0), form: 'display', shown: 35.1, temperatureC: 24 }, SALINITY_METER).value
		).toBe(35.1);
	});
	it('reads temperature to its graduation', () => {
		const result = valueOf(line(25.1, 25.2), THERMOMETER);
		expect(result.value).toBeCloseTo(25.15, 10);
		expect(standardUncertaintyOf(result)).toBeCloseTo(0.3 / Math.sqrt(3), 2);
		expect(boundsOf(valueOf(line(-1), THERMOMETER)).lower).toBeLessThan(-1);
		expect(faultOf(THERMOMETER, line(80))).toBe('beyond-scale');
	});
});

describe('a value from elsewhere', () => {
	const method = statedMethodFor('phosphate');
	const stated = (says: object, unit = 'ug-per-l-p'): RawReading =>
		({ form: 'stated', portion: 'full', unit, says, source: 'harbour laboratory' }) as RawReading;
	it('keeps the stated uncertainty, and takes one where none was stated', () => {
		const result = valueOf(stated({ kind: 'value', value: 20, expandedU: 2, k: 2 }), method);
		expect(result.value).toBeCloseTo(20 * 0.003066136, 7);
		expect(standardUncertaintyOf(result)).toBeCloseTo(0.003066136, 7);
		const assumed = valueOf(stated({ kind: 'value', value: 20, expandedU: null, k: 2 }), method);
		expect(standardUncertaintyOf(assumed) / assumed.value).toBeCloseTo(0.05, 10);
	});
	it('may be a bound or an interval, and is refused in a unit of something else', () => {
		expect(outcomeOf(method, stated({ kind: 'bound', sense: '<', limit: 5 })).result.kind).toBe('bound');
		expect(outcomeOf(method, stated({ kind: 'interval', lower: 5, upper: 9 })).result.kind).toBe('interval');
		expect(faultOf(method, stated({ kind: 'value', value: 1, expandedU: null, k: 2 }, 'dkh'))).toBe(
			'unit-unknown'
		);
		expect(faultOf(method, stated({ kind: 'interval', lower: 9, upper: 5 }))).toBe('range-reversed');
	});
});

describe('a position on a scale', () => {
	it('is one mark, or the two that it stands between', () => {
		const graduation = fc.constantFrom(0.001, 0.01, 0.02, 0.1, 0.25, 0.5, 1, 2);
		fc.assert(
			fc.property(graduation, fc.integer({ min: 0, max: 2000 }), (g, halves) => {
				const at = (halves * g) / 2;
				const [lower, upper] = marksAround(at, g);
				expect((lower + upper) / 2).toBeCloseTo(at, 9);
				expect(upper - lower).toBeCloseTo(halves % 2 === 0 ? 0 : g, 9);
				expect(Math.abs(lower / g - Math.round(lower / g))).toBeLessThan(1e-6);
			})
		);
	});
});
