import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS, statedMethodFor } from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import { derive, type RawReading } from '$lib/core/reading';
import { CALM_READER, readBy } from '$lib/core/tank';
import { correctionLabel, correctionOption } from '$lib/format/log/correction';
import { readingWords } from '$lib/format/log/reading';
import { correctedReading, correctionFields } from './correction';

const water = {
	alkalinity: 8,
	calcium: 430,
	magnesium: 1320,
	potassium: 395,
	nitrate: 9,
	phosphate: 0.09,
	ammonia: 0.4,
	nitrite: 0.4,
	ph: 7.9,
	salinity: 34.6,
	temperature: 25,
	hardness: 9
};
const random = seededRandom(12);
/** As it is read blind: each end was watched once more before it was taken. */
function watched(reading: RawReading): RawReading {
	if (reading.form === 'pair') {
		const { first, second } = reading;
		return { ...reading, first: { ...first, addedAfter: 0.02 }, second: { ...second, addedAfter: 0 } };
	}
	const isTitrated = reading.form === 'syringe' || reading.form === 'drops' || reading.form === 'difference';
	return isTitrated ? { ...reading, addedAfter: reading.form === 'syringe' ? 0.02 : 1 } : reading;
}
const read = SHIPPED_METHODS.filter((m) => m.kind !== 'stated').map(
	(method) => [method.code, method, watched(readBy(random, method, water, CALM_READER))] as const
);

describe('the correction of a reading', () => {
	it.each(read)('of %s has fields that give the same reading back', (_code, method, reading) => {
		const fields = correctionFields(method, reading);
		const entered = Object.fromEntries(fields.map((f) => [f.name, f.value]));
		expect(correctedReading(reading, (name) => entered[name] ?? '')).toEqual(reading);
		expect(readingWords(method, reading)).not.toBe('');
		for (const field of fields) {
			expect(correctionLabel(method, field.name)).not.toBe('');
			if (field.kind !== 'choice') continue;
			expect(field.options).toContain(field.value);
			const said = field.options.map((o) => correctionOption(method, field.name, o));
			expect(new Set(said).size).toBe(said.length);
		}
	});
	it.each(read)('of %s with nonsense is a reading that is refused', (_code, method, reading) => {
		const numbers = correctionFields(method, reading).filter((f) => f.kind === 'number' && !f.optional);
		for (const { name } of numbers) {
			const fields = correctionFields(method, reading);
			const entered = Object.fromEntries(fields.map((f) => [f.name, f.name === name ? 'x' : f.value]));
			expect(
				derive(
					method,
					correctedReading(reading, (n) => entered[n] ?? '')
				).ok,
				name
			).toBe(false);
		}
	});
	it('of a value from elsewhere keeps its unit and source', () => {
		const stated: RawReading = {
			form: 'stated',
			portion: 'full',
			unit: 'ug-per-l-p',
			says: { kind: 'value', value: 20, expandedU: null, k: 2 },
			source: 'harbour laboratory'
		};
		const entered: Record<string, string> = { value: '21,5', expandedU: '2' };
		expect(correctedReading(stated, (n) => entered[n] ?? '')).toMatchObject({
			unit: 'ug-per-l-p',
			source: 'harbour laboratory',
			says: { value: 21.5, expandedU: 2 }
		});
		expect(readingWords(statedMethodFor('phosphate'), stated)).toBe('20 µg/L P, from harbour laboratory');
	});
});
