import { describe, expect, it } from 'vitest';
import { NO3_LADDER, statedMethodFor } from '$lib/core/method';
import type { RawReading } from '$lib/core/reading';
import { correctedReading, correctionFields } from './correction.ts';

const fieldsOf = (method: Parameters<typeof correctionFields>[0], reading: RawReading) =>
	new Map(correctionFields(method, reading).map((f) => [f.name, f.value]));
const typed =
	(fields: Map<string, string>, change: Record<string, string> = {}) =>
	(name: string) =>
		change[name] ?? fields.get(name) ?? '';

describe('a correction', () => {
	const step: RawReading = {
		form: 'step',
		portion: 'full',
		at: { kind: 'on', index: 3 },
		between: 'interpolate',
		blank: true
	};
	it('adds a dilution that was forgotten, takes one away that was counted twice, and else leaves it', () => {
		const fields = fieldsOf(NO3_LADDER, step);
		expect(fields.get('dilution')).toBe('1');
		expect(correctedReading(step, typed(fields))).toEqual(step);
		const thinned = correctedReading(step, typed(fields, { dilution: '5' }));
		expect(thinned).toEqual({ ...step, dilution: { sampleMl: 1, diluentMl: 4, diluentHolds: 0 } });
		expect(fieldsOf(NO3_LADDER, thinned).get('dilution')).toBe('5');
		expect(correctedReading(thinned, typed(fieldsOf(NO3_LADDER, thinned), { dilution: '1' }))).toEqual(step);
		const odd: RawReading = { ...step, dilution: { sampleMl: 1.8, diluentMl: 7.2, diluentHolds: 0.1 } };
		expect(correctedReading(odd, typed(fieldsOf(NO3_LADDER, odd)))).toEqual(odd);
	});
	it('changes the unit of a stated value, in every way of stating it', () => {
		const method = statedMethodFor('alkalinity');
		const says = [
			{ kind: 'value', value: 2.93, expandedU: 0.05, k: 2 },
			{ kind: 'interval', lower: 2.8, upper: 3 },
			{ kind: 'bound', sense: '>', limit: 2.5 }
		] as const;
		for (const one of says) {
			const reading: RawReading = {
				form: 'stated',
				portion: 'full',
				unit: 'dkh',
				says: one,
				source: 'a lab'
			};
			const fields = fieldsOf(method, reading);
			expect(correctedReading(reading, typed(fields))).toEqual(reading);
			expect(correctedReading(reading, typed(fields, { unit: 'meq-per-l' }))).toEqual({
				...reading,
				unit: 'meq-per-l'
			});
			// What is no unit leaves the old one.
			expect(correctedReading(reading, typed(fields, { unit: 'moon' }))).toEqual(reading);
		}
	});
});
