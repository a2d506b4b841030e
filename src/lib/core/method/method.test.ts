import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	CA_SYRINGE,
	chart,
	checkMethod,
	GH_DROPS,
	HARDNESS_DROPS,
	isFree,
	K_FILTER,
	K_QUICK,
	lookUp,
	methodByCode,
	methodOfStored,
	MG_SYRINGE,
	NO3_CARD,
	NO3_LADDER,
	parametersOf,
	portionsOf,
	PO4_CARD,
	resultPerUnit,
	SALINITY_GLASS,
	sampleOf,
	SHIPPED_METHODS,
	spacingOf,
	standardFactor,
	standardLine,
	stepInterval,
	stepsFor,
	THERMOMETER,
	timesOf,
	titrationsOf,
	windowOf,
	worthAt,
	type ChartPoint,
	type Method,
	type Titration
} from './index.ts';
import { convert } from '../quantity/index.ts';

const worth = (method: Method, portion: 'full' | 'half' = 'full', which = 0) =>
	resultPerUnit(titrationsOf(method)[which]!, sampleOf(method, portion)!, method.sampleMl!.full);

describe('what a millilitre or a drop is worth', () => {
	it.each([
		['alk-syringe, meq/L', convert(worth(ALK_SYRINGE), 'dkh', 'meq-per-l'), 5, 10],
		['half a sample', convert(worth(ALK_SYRINGE, 'half'), 'dkh', 'meq-per-l'), 10, 10],
		['alk-drops, dKH', worth(ALK_DROPS), 0.4, 3],
		['ca-syringe, mg/L', worth(CA_SYRINGE), 534.4, 1],
		['ca-syringe, half', worth(CA_SYRINGE, 'half'), 1068.7, 1],
		['ca-drops', worth(CA_DROPS), 10, 1],
		['mg-syringe', worth(MG_SYRINGE), 1555.5, 1],
		['hardness-drops as Mg', worth(HARDNESS_DROPS), 60.76, 2],
		['ca-mg-pair, calcium', worth(CA_MG_PAIR), 515.3, 1],
		['ca-mg-pair, magnesium', worth(CA_MG_PAIR, 'full', 1), 1562.5, 1],
		['k-filter: more titrant is less potassium', worth(K_FILTER), -312.8, 1],
		['k-quick', worth(K_QUICK), -15.64, 2],
		['gh-drops', worth(GH_DROPS), 1, 10]
	])('%s', (_name, computed, expected, digits) => expect(computed).toBeCloseTo(expected, digits));
	it('begins for a back-titration at all that the precipitant could bind', () => {
		const at = (method: Method) =>
			worthAt(titrationsOf(method)[0]!, 0, method.sampleMl!.full, method.sampleMl!.full);
		expect(at(K_FILTER)).toMatchObject({ atZero: expect.closeTo(625.6, 1) as number });
		expect(at(K_QUICK)).toMatchObject({ atZero: expect.closeTo(645.1, 1) as number });
	});
});

describe('a shipped method', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))('%s is whole', (code, method) => {
		expect(methodByCode(code)).toBe(method);
		for (const portion of portionsOf(method)) {
			const steps = stepsFor(method, portion);
			expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
			expect(steps.map((s) => s.say + s.detail).join()).not.toContain('{');
			const ends = steps.filter((s) => s.action.kind === 'titrate' || s.action.kind === 'read');
			expect(ends).toHaveLength(method.kind === 'stated' ? 0 : method.kind === 'paired-titration' ? 2 : 1);
			if (ends.length > 0) expect(steps.at(-1)).toBe(ends.at(-1));
			const named = new Set(method.reagents.map((r) => r.label));
			for (const s of steps) if (s.reagent) expect(named).toContain(s.reagent);
		}
		expect(parametersOf(method)[0]).toBe(method.parameter);
		if (method.sampleMl) expect(method.reagents.flatMap((r) => r.hazards).length).toBeGreaterThan(0);
		expect(JSON.parse(JSON.stringify(method))).toEqual(method);
	});
	it('counts swirling as hands and standing as waiting', () => {
		const times = timesOf(stepsFor(CA_SYRINGE, 'full'));
		expect(times.totalS - times.handsS).toBe(20);
		expect(timesOf(NO3_LADDER.steps).totalS - timesOf(NO3_LADDER.steps).handsS).toBe(660);
	});
	it('says how late a wait may end', () => {
		const waits = (method: Method) => method.steps.filter(isFree).map(windowOf);
		expect(waits(NO3_CARD)).toEqual([{ from: 360, to: 375 }]);
		expect(waits(PO4_CARD)).toEqual([{ from: 180, to: 315 }]);
		expect(waits(K_FILTER)).toEqual([
			{ from: 360, to: 735 },
			{ from: 0, to: 720 }
		]);
	});
	it('is unknown under another code', () => expect(methodByCode('moon')).toBeNull());
	it('is read in its first written form as in today’s', () => {
		const {
			titration,
			kind: _k,
			species: _s,
			dilutions: _d,
			limits: _l,
			equipment: _e,
			pack: _p,
			...rest
		} = ALK_SYRINGE;
		if (titration.meter.kind !== 'syringe' || titration.worth.by !== 'titrant') throw new Error();
		const { headStartMl: _h, kind: _m, ...syringe } = titration.meter;
		const first = {
			...rest,
			kind: 'syringe-titration',
			titrant: { reagent: titration.titrant, molPerL: titration.worth.molPerL, relativeTolerance: 0.01 },
			syringe,
			endPointUMl: titration.endPointU,
			colours: titration.colours
		};
		expect(methodOfStored(first)).toMatchObject({ code: 'alk-syringe', titration });
		expect(methodOfStored(ALK_SYRINGE)).toBe(ALK_SYRINGE);
	});
});

describe('a row of colour steps', () => {
	const steps = [0, 3, 8, 15, 30, 60];
	it('is called geometric where it grows by more than half from step to step', () => {
		expect(spacingOf([3, 8, 15, 30, 60])).toBe('log');
		expect(spacingOf([7.4, 7.6, 7.8, 8])).toBe('linear');
	});
	it('covers the whole range without gaps, from step to step', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 4 }),
				fc.constantFrom('linear' as const, 'log' as const),
				(i, spacing) => {
					const at = (kind: 'on' | 'between' | 'nearer_lower' | 'nearer_upper', index: number) => {
						const found = stepInterval(steps, spacing, { kind, index });
						if (!found.ok || found.value.upper === null) throw new Error();
						return found.value as { lower: number; upper: number };
					};
					expect(at('nearer_lower', i).upper).toBe(at('nearer_upper', i).lower);
					expect(at('on', i).upper).toBe(at('on', i + 1).lower);
					expect(at('between', i)).toMatchObject({ lower: steps[i], upper: steps[i + 1] });
					expect(at('on', i).lower).toBeLessThanOrEqual(steps[i]!);
				}
			)
		);
	});
	it('has no place beside its ends but those two', () => {
		expect(stepInterval(steps, 'log', { kind: 'on', index: 6 }).ok).toBe(false);
		expect(stepInterval(steps, 'log', { kind: 'between', index: 5 }).ok).toBe(false);
		expect(stepInterval(steps, 'log', { kind: 'on', index: 1 }, 0.5).ok).toBe(false);
		expect(() => stepInterval([3, 1], 'log', { kind: 'above' })).toThrow(RangeError);
	});
});

describe('a kit’s factor', () => {
	it('is refused where the kit, or the check of it, must be broken', () => {
		expect(standardFactor(8, 4)).toMatchObject({ ok: false, fault: { code: 'factor-implausible' } });
		expect(standardFactor(8, 8.4)).toMatchObject({ ok: true });
		expect(standardLine({ reading: 3, value: 2 }, { reading: 3, value: 9 }).ok).toBe(false);
	});
});

describe('a leaflet’s table as what titrant is worth', () => {
	const titration: Titration = {
		...ALK_SYRINGE.titration,
		worth: {
			by: 'table',
			unit: 'dkh',
			reads: 'left',
			points: [
				[0, 14],
				[0.5, 7],
				[1, 0]
			],
			printedStep: 0.1
		}
	};
	it('is read from what is left, doubled for half a sample, and never beyond its rows', () => {
		const at = (used: number, ml = 6) => worthAt(titration, used, ml, 6);
		expect(at(0.6)).toMatchObject({ perUnit: expect.closeTo(14, 9) as number });
		const line = at(0.6);
		if ('sense' in line) throw new Error();
		expect(line.atZero + line.perUnit * 0.6).toBeCloseTo(8.4, 9);
		const half = at(0.6, 3);
		if ('sense' in half) throw new Error();
		expect(half.atZero + half.perUnit * 0.6).toBeCloseTo(16.8, 9);
		expect(at(1.1)).toEqual({ sense: '>', limit: 14 });
		expect(resultPerUnit(titration, 6, 6)).toBeCloseTo(14, 9);
	});
});

describe('a leaflet’s table', () => {
	const points: ChartPoint[] = [
		[0, 0],
		[0.5, 7],
		[1, 14]
	];
	const table = (p: readonly ChartPoint[]) => {
		const made = chart(p);
		if (!made.ok) throw new Error(made.fault.code);
		return made.value;
	};
	it('stays within its rows and is monotone where they are', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 1, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(a, b) => {
					const value = (x: number) => {
						const found = lookUp(table(points), x);
						return 'value' in found ? found.value : Number.NaN;
					};
					expect(value(Math.min(a, b))).toBeLessThanOrEqual(value(Math.max(a, b)) + 1e-12);
				}
			)
		);
	});
	it('says a bound beyond its ends, by the slope there', () => {
		expect(lookUp(table(points), 1.1)).toEqual({ flag: 'outside_high', bound: { sense: '>', limit: 14 } });
		expect(
			lookUp(
				table([
					[0, 9],
					[1, 3]
				]),
				-0.1
			)
		).toEqual({ flag: 'outside_low', bound: { sense: '>', limit: 9 } });
	});
	it('refuses one row, and one reading with two results', () => {
		expect(chart([[0, 1]])).toMatchObject({ ok: false, fault: { code: 'chart-too-short' } });
		expect(
			chart([
				[0, 1],
				[0, 2],
				[1, 3]
			])
		).toMatchObject({ ok: false, fault: { code: 'chart-duplicate' } });
	});
});

describe('a scale that is read', () => {
	it.each([0.001, 0.002, 0.1, 0.25, 0.4, 0.5, 1, 2])('may have marks every %d', (graduationC) => {
		expect(checkMethod({ ...THERMOMETER, graduationC })).toEqual({ ok: true, value: null });
	});
	it.each([0.3, 0.7, 3, 5])(
		'but not every %d: half-way between two would be no plain number',
		(graduation) => {
			const fault = (method: Method) => {
				const checked = checkMethod(method);
				return checked.ok ? null : [checked.fault.code, checked.fault.field];
			};
			expect(fault({ ...THERMOMETER, graduationC: graduation })).toEqual(['marks-do-not-fit', 'graduationC']);
			const scale = { ...SALINITY_GLASS.scale, graduation };
			expect(fault({ ...SALINITY_GLASS, scale })).toEqual(['marks-do-not-fit', 'scale.graduation']);
		}
	);
	it('must not end before it begins', () => {
		const rangeC = { low: 30, high: 20 };
		expect(checkMethod({ ...THERMOMETER, rangeC })).toMatchObject({ fault: { code: 'range-reversed' } });
	});
});
