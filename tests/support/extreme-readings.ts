import fc from 'fast-check';
import type { Method } from '../../src/lib/core/method/index.ts';
import { PARAMETERS, UNITS, type UnitId } from '../../src/lib/core/quantity/index.ts';
import type { RawReading } from '../../src/lib/core/reading/index.ts';

/** Numbers that people, devices and attackers send: ends, just beyond them, nothing, and much too much. */
const anyNumber = (...near: readonly number[]) =>
	fc.oneof(
		fc.constantFrom(0, 1e-9, 0.01, 1, 100, 1e6, 1e308, -1, ...near, ...near.map((n) => n * 1.001)),
		fc.double({ min: -10, max: 5000, noNaN: true }),
		fc.double({ min: 0, max: Math.max(1e-6, ...near.map(Math.abs)), noNaN: true })
	);
const anyDilution = fc.option(
	fc.record({
		sampleMl: fc.constantFrom(0.1, 1, 2, 5),
		diluentMl: fc.constantFrom(0, 1, 5, 9, 200),
		diluentHolds: fc.oneof(fc.constant(0), fc.double({ min: 0, max: 1500, noNaN: true }))
	}),
	{ nil: undefined }
);

function marks(capacityMl: number) {
	const onScale = fc.integer({ min: 0, max: 100 }).map((n) => (n * capacityMl) / 100);
	return fc.record({
		readAs: fc.constantFrom('left' as const, 'used' as const),
		fills: fc.array(
			fc
				.record({ startMl: fc.oneof(fc.constant(capacityMl), onScale), end: onScale })
				.map(({ startMl, end }) => ({
					startMl,
					end: { lowerMl: end, upperMl: end }
				})),
			{ minLength: 1, maxLength: 6 }
		),
		sure: fc.boolean()
	});
}
const drops = fc
	.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 40 }))
	.map(([least, more]) => ({ least, most: least + more, bad: 0 }));

/** Any reading that the schema of its form lets through, for a method: sensible, extreme, and nonsense. */
export function anyReading(method: Method): fc.Arbitrary<RawReading> {
	const common = {
		portion: fc.constantFrom('full' as const, ...(method.sampleMl?.half ? (['half'] as const) : [])),
		dilution: anyDilution
	};
	const made = (own: Record<string, fc.Arbitrary<unknown>>) =>
		fc.record({ ...common, ...own }).map(({ dilution, ...reading }) => ({
			...reading,
			...(dilution ? { dilution } : {})
		})) as fc.Arbitrary<unknown> as fc.Arbitrary<RawReading>;
	switch (method.kind) {
		case 'syringe-titration':
		case 'drop-titration':
		case 'back-titration': {
			const { meter } = method.titration;
			if (meter.kind === 'drops') return made({ form: fc.constant('drops'), drops }).map(flat);
			return made({ form: fc.constant('syringe'), marks: marks(meter.capacityMl) }).map(flat);
		}
		case 'paired-titration': {
			const of = (t: typeof method.titration) => marks(t.meter.kind === 'syringe' ? t.meter.capacityMl : 1);
			return made({ form: fc.constant('pair'), first: of(method.titration), second: of(method.second) });
		}
		case 'difference': {
			const subtract = fc.record({
				value: anyNumber(400),
				uRandom: fc.constantFrom(0, 5),
				uCommon: fc.constantFrom(0, 5),
				runId: fc.constant(null)
			});
			return made({ form: fc.constant('difference'), drops, subtract }).map(flat);
		}
		case 'colour-card':
		case 'comparator': {
			const at = fc.record({
				kind: fc.constantFrom('on', 'between', 'nearer_lower', 'nearer_upper', 'below', 'above'),
				index: fc.integer({ min: 0, max: method.colourSteps.length })
			});
			return made({
				form: fc.constant('step'),
				at: at.map((a) => (a.kind === 'below' || a.kind === 'above' ? { kind: a.kind } : a)),
				between: fc.constantFrom('interpolate', 'nearer-step', 'interval'),
				blank: fc.boolean()
			});
		}
		case 'display': {
			const { low, high } = method.range;
			const grid = fc
				.integer({ min: 0, max: 1000 })
				.map((n) => Math.round((low + (n / 1000) * (high - low)) / method.resolution) * method.resolution);
			return made({
				form: fc.constant('display'),
				shown: fc.oneof(grid, anyNumber(low, high), fc.constantFrom('over', 'under')),
				temperatureC: fc.constantFrom(null, 20, 25)
			});
		}
		case 'scale-line':
		case 'float': {
			const { from, to } = method.scale;
			const line = fc.oneof(fc.double({ min: from, max: to, noNaN: true }), anyNumber(from, to));
			return made({
				form: fc.constant('line'),
				lower: line,
				temperatureC: fc.constantFrom(null, 5, 25, 60)
			}).map(level);
		}
		case 'thermometer':
			return made({
				form: fc.constant('line'),
				lower: anyNumber(method.rangeC.low, method.rangeC.high),
				temperatureC: fc.constant(null)
			}).map(level);
		case 'stated': {
			const units = Object.keys(UNITS) as UnitId[];
			const number = anyNumber(8, 420, 1300, 35, 25);
			return made({
				form: fc.constant('stated'),
				unit: fc.oneof(fc.constantFrom(...PARAMETERS[method.parameter].units), fc.constantFrom(...units)),
				says: fc.oneof(
					fc.record({
						kind: fc.constant('value'),
						value: number,
						expandedU: fc.oneof(fc.constant(null), fc.constant(1e-300), number),
						k: fc.constantFrom(1, 2, 3)
					}),
					fc.record({ kind: fc.constant('interval'), lower: number, upper: number }),
					fc.record({ kind: fc.constant('bound'), sense: fc.constantFrom('<', '>'), limit: number })
				),
				source: fc.constant('elsewhere')
			});
		}
	}
}

/** Parts that stand in the reading itself. */
function flat(reading: RawReading): RawReading {
	const { drops: count, marks: scale, ...rest } = reading as RawReading & { drops?: object; marks?: object };
	return { ...rest, ...count, ...scale };
}
const level = (reading: RawReading) =>
	({ ...reading, upper: (reading as { lower: number }).lower }) as RawReading;
