import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	NO3_CARD,
	PO4_METER,
	SALINITY_FLOAT,
	SHIPPED_METHODS,
	type Method
} from '$lib/core/method';
import { BETWEEN_SCHOOLS, derive, END_POINTS } from '$lib/core/reading';
import { emptyReading } from '$lib/ui/shared/reading-draft';
import { fieldsOf, isTypeable, typedReading } from './typed-reading';

const HABITS = { endPoint: END_POINTS[0], between: BETWEEN_SCHOOLS[0] };
const typed = (method: Method, ...texts: string[]) => {
	const draft = emptyReading(method, HABITS);
	const ids = fieldsOf(method).map((f) => f.id);
	return typedReading(method, 'full', draft, Object.fromEntries(texts.map((t, i) => [ids[i]!, t])));
};

describe('a reading that is typed', () => {
	it('is what the leaflet has read: what is left, drops, a step, a display, a line', () => {
		expect(typed(ALK_SYRINGE, '0,47').reading).toMatchObject({
			form: 'syringe',
			readAs: 'left',
			fills: [{ startMl: 1, end: { lowerMl: 0.47, upperMl: 0.47 } }]
		});
		expect(typed(ALK_DROPS, '12-13').reading).toMatchObject({ form: 'drops', least: 12, most: 13 });
		const [first, second] = NO3_CARD.colourSteps;
		expect(typed(NO3_CARD, `${second!.value}`).reading).toMatchObject({ at: { kind: 'on', index: 1 } });
		expect(typed(NO3_CARD, `${first!.value} – ${second!.value}`).reading).toMatchObject({
			at: { kind: 'between', index: 0 }
		});
		expect(typed(NO3_CARD, '>').reading).toMatchObject({ at: { kind: 'above' } });
		expect(typed(PO4_METER, '>').reading).toMatchObject({ shown: 'over' });
		expect(typed(SALINITY_FLOAT, '1.025', '24').reading).toMatchObject({ form: 'line', temperatureC: 24 });
	});
	it('is none while nothing is typed, and refused where it cannot be meant', () => {
		expect(typed(ALK_SYRINGE, ' ')).toEqual({ reading: null, fault: null });
		expect(typed(ALK_SYRINGE, '1.4').fault?.code).toBe('beyond-syringe');
		expect(typed(ALK_SYRINGE, 'half').fault?.code).toBe('not-a-number');
		expect(typed(ALK_DROPS, '12.5').fault?.code).toBe('no-drops');
		expect(typed(NO3_CARD, '4711').fault?.code).toBe('no-such-step');
		expect(typed(SALINITY_FLOAT, '1.025', 'warm').fault?.code).toBe('not-a-number');
	});
	it('never ends in anything but a result, a clear fault, or nothing, whatever is typed at whatever kit', () => {
		const text = fc.oneof(
			fc.string({ maxLength: 12 }),
			fc.double({ min: -2, max: 60, noNaN: true }).map((x) => x.toFixed(2)),
			fc.constantFrom('<', '>', '0', '-', '5-10', '0.47-0.48', '1.025', '١٢', '1e9')
		);
		fc.assert(
			fc.property(fc.constantFrom(...SHIPPED_METHODS.filter(isTypeable)), text, text, (method, one, two) => {
				const { reading, fault } = typed(method, one, two);
				expect(reading !== null && fault !== null).toBe(false);
				if (reading) {
					const made = derive(method, reading);
					if (made.ok) for (const { result } of made.value.outcomes) expect(result.parameter).toBeTruthy();
					else expect(made.fault.code).toBeTruthy();
				}
			}),
			{ seed: 47, numRuns: 400 }
		);
	});
});
