import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPreferences } from '$lib/contract/preferences';
import { READING_BODY } from '$lib/contract/reading';
import { SHIPPED_METHODS, statedMethodFor } from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import { derive, type RawReading, type ReadingForm } from '$lib/core/reading';
import { CALM_READER, readBy } from '$lib/core/tank';
import { checkTestRun } from './reading';
import { statedRunOfForm } from './stated-form';
import { validate } from './validator';

const ID = '01a209a2-e482-7d64-aa00-61a1a92f77b2';
const run = (reading: unknown) => ({
	id: ID,
	sampleId: ID,
	readingId: ID,
	waterId: ID,
	methodCode: 'alk-syringe',
	methodVersion: 2,
	drawnAt: 1_700_000_000_000,
	startedAt: 1_700_000_000_000,
	finishedAt: 1_700_000_000_000,
	offsetMinutes: 0,
	reading,
	stepLog: [],
	note: ''
});
const faultOf = (outcome: { ok: boolean; fault?: { field?: string; code: string } }) =>
	outcome.ok ? null : outcome.fault?.field;
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
const random = seededRandom(4);
const examples = new Map<ReadingForm, RawReading>();
for (const method of SHIPPED_METHODS) {
	if (method.kind === 'stated') continue;
	const reading = readBy(random, method, water, CALM_READER);
	examples.set(reading.form, reading);
}

describe('a reading from outside', () => {
	it.each([...examples])('of the form %s is taken whole', (_form, reading) => {
		expect(checkTestRun(run(reading))).toMatchObject({ ok: true });
	});
	it.each([...examples])('of the form %s is refused with a field too many or too few', (form, reading) => {
		expect(faultOf(checkTestRun(run({ ...reading, moon: 1 })))).toBe('reading.moon');
		for (const key of Object.keys(reading)) {
			if (['form', 'endPoint', 'dilution'].includes(key)) continue;
			const { [key]: _left, ...rest } = reading as unknown as Record<string, unknown>;
			expect(faultOf(checkTestRun(run(rest))), key).toBe(`reading.${key}`);
		}
		expect(validate(READING_BODY[form], { ...reading, portion: 'double' }).ok).toBe(false);
	});
	it('of no form at all is refused, whatever it is', () => {
		fc.assert(
			fc.property(fc.anything(), (reading) => {
				expect(checkTestRun(run(reading)).ok).toBe(false);
			})
		);
	});
	it('that its schema admits never crashes what derives it', () => {
		const number = fc.oneof(
			fc.double({ noNaN: true, min: -999, max: 999_999 }),
			fc.constantFrom(0, 0.5, 1, 25)
		);
		fc.assert(
			fc.property(
				fc.constantFrom(...examples.values()),
				number,
				fc.integer({ min: 0, max: 30 }),
				(example, x, n) => {
					const odd = JSON.parse(
						JSON.stringify(example, (_key, v: unknown) => (typeof v === 'number' ? (n % 2 === 0 ? x : n) : v))
					) as RawReading;
					for (const method of SHIPPED_METHODS) void derive(method, odd);
				}
			),
			{ numRuns: 300 }
		);
	});
});

describe('a value from elsewhere', () => {
	const formOf = (fields: Record<string, string>) => {
		const form = new FormData();
		const whole = {
			id: ID,
			parameter: 'phosphate',
			unit: 'ug-per-l-p',
			sense: 'value',
			value: '20',
			source: 'lab',
			happenedAt: '2026-11-20T12:00'
		};
		for (const [name, value] of Object.entries({ ...whole, ...fields })) form.set(name, value);
		return form;
	};
	const context = { waterId: ID, timeZone: 'Europe/Lisbon', units: readPreferences(undefined).units };
	const newId = () => ID;
	it('becomes a run of the method that says so', () => {
		const made = statedRunOfForm(formOf({ expandedU: '2,5' }), context, newId);
		expect(made).toMatchObject({
			ok: true,
			value: {
				methodCode: statedMethodFor('phosphate').code,
				reading: { says: { kind: 'value', value: 20, expandedU: 2.5, k: 2 }, source: 'lab' }
			}
		});
		expect(statedRunOfForm(formOf({ sense: '<' }), context, newId)).toMatchObject({
			value: { reading: { says: { kind: 'bound', sense: '<', limit: 20 } } }
		});
	});
	it.each([
		['parameter', { parameter: 'moon' }],
		['value', { value: '' }],
		['value', { value: 'lots' }],
		['expandedU', { expandedU: 'some' }],
		['source', { source: '  ' }],
		['sense', { sense: 'about' }],
		['unusual', { unusual: 'sure' }],
		['happenedAt', { happenedAt: 'yesterday' }],
		['reading.unit', { unit: 'ppm' }]
	])('is refused at %s', (field, change) => {
		expect(faultOf(statedRunOfForm(formOf(change as Record<string, string>), context, newId))).toBe(field);
	});
});
