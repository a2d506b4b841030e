import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EVENT_KINDS } from '$lib/core/record';
import { RECORD_EVENT } from '$lib/contract/event';
import { readPreferences } from '$lib/contract/preferences';
import { SaveTestRun } from '$lib/contract/test-run';
import type { SyringeReading } from '$lib/core/reading';
import type { WaterFormContext } from './command-of-form';
import { eventOfForm } from './event-form';
import { entered, numberIn, typedText } from './form';
import { correctionOfForm } from './reading-form';
import { typedInstant } from './typed-instant';
import { validate } from './validator';

const ID = '01a209a2-e482-7d64-aa00-61a1a92f77b2';
const context: WaterFormContext = {
	waterId: ID,
	timeZone: 'Europe/Lisbon',
	units: { ...readPreferences(undefined).units, alkalinity: 'meq-per-l' }
};
const formOf = (fields: Record<string, string>) => {
	const form = new FormData();
	for (const [name, value] of Object.entries({ id: ID, happenedAt: '2026-11-20T19:30', ...fields }))
		form.set(name, value);
	return form;
};
const faultOf = (outcome: { ok: boolean; fault?: { field?: string; code: string } }) =>
	outcome.ok ? null : [outcome.fault?.code, outcome.fault?.field];

describe('a field of a form', () => {
	it('holds a number, nothing, or what is refused', () => {
		expect([numberIn(' 12,5 '), numberIn('  '), numberIn(null), numberIn('lots')]).toEqual([
			12.5,
			null,
			null,
			Number.NaN
		]);
	});
	it('has its words trimmed, files are not words', () => {
		expect(typedText('  a b ')).toBe('a b');
		expect(typedText(new File(['x'], 'x.txt'))).toBe('');
		const form = formOf({ note: 'x' });
		form.set('file', new File(['x'], 'x.txt'));
		expect(entered(form)).toEqual({ id: ID, happenedAt: '2026-11-20T19:30', note: 'x' });
	});
});

describe('the entry form', () => {
	it('becomes a dose, its strength taken from the chosen unit', () => {
		const outcome = eventOfForm(
			formOf({
				kind: 'dose',
				'details.supplement': 'Part one',
				'details.amountMl': '27',
				'details.strength.alkalinity': '0,05',
				note: ' evening '
			}),
			context
		);
		expect(outcome).toMatchObject({
			ok: true,
			value: {
				kind: 'dose',
				note: 'evening',
				offsetMinutes: 0,
				details: { supplement: 'Part one', amountMl: 27, strength: [{ parameter: 'alkalinity' }] }
			}
		});
		if (!outcome.ok || outcome.value.kind !== 'dose') throw new Error();
		// 0.05 meq/L is 0.140193 dKH.
		expect(outcome.value.details.strength[0]!.risePerMlIn100L).toBeCloseTo(0.1401925, 6);
	});
	it('becomes every kind that there is', () => {
		const fields = {
			note: 'x',
			'details.supplement': 'Part one',
			'details.amountMl': '1',
			'details.amountMlPerDay': '0',
			'details.days': '2',
			'details.volumeL': '43',
			'details.batch': 'Batch 3'
		};
		for (const kind of EVENT_KINDS) {
			expect(eventOfForm(formOf({ ...fields, kind }), context)).toMatchObject({ ok: true, value: { kind } });
		}
	});
	it('knows how sure a tested new water is, and what was not tested', () => {
		const outcome = eventOfForm(
			formOf({ kind: 'water-change', 'details.volumeL': '43', 'details.newWater.calcium': '415' }),
			context
		);
		expect(outcome).toMatchObject({
			value: { details: { newWater: [{ parameter: 'calcium', value: 415, u: 10 }] } }
		});
	});
	it.each([
		['no kind', { kind: 'moon' }, 'kind'],
		['no time', { kind: 'note', note: 'x', happenedAt: 'soon' }, 'happenedAt'],
		['an empty note', { kind: 'note', note: '  ' }, 'note'],
		['no name', { kind: 'dose', 'details.amountMl': '1' }, 'details.supplement'],
		['letters', { kind: 'dose', 'details.supplement': 'x', 'details.amountMl': 'some' }, 'details.amountMl'],
		[
			'nothing dosed',
			{ kind: 'dose', 'details.supplement': 'x', 'details.amountMl': '0' },
			'details.amountMl'
		],
		[
			'a strength below zero',
			{ kind: 'dose', 'details.supplement': 'x', 'details.amountMl': '1', 'details.strength.calcium': '-1' },
			'details.strength.calcium.risePerMlIn100L'
		],
		['no days', { kind: 'recurring-dose-missed', 'details.supplement': 'x' }, 'details.days'],
		['a change of less than nothing', { kind: 'water-change', 'details.volumeL': '-4' }, 'details.volumeL'],
		['a note without end', { kind: 'note', note: 'x'.repeat(2001) }, 'note']
	])('refuses %s, naming the field', (_what, fields, field) => {
		expect(faultOf(eventOfForm(formOf(fields), context))).toEqual(['invalid-field', field]);
	});
	it('reads a time as the place’s clock shows it', () => {
		expect(new Date(typedInstant('2026-07-01T12:00', 'Europe/Lisbon')).toISOString()).toBe(
			'2026-07-01T11:00:00.000Z'
		);
		expect(typedInstant('', 'Europe/Lisbon')).toBeNaN();
	});
});

describe('the correction form', () => {
	const old: SyringeReading = {
		form: 'syringe',
		portion: 'full',
		readAs: 'left',
		sure: true,
		fills: [
			{ startMl: 1, end: { lowerMl: 0, upperMl: 0 } },
			{ startMl: 1, end: { lowerMl: 0.71, upperMl: 0.71 } }
		]
	};
	const fields = {
		readAs: 'used',
		portion: 'half',
		reason: 'Misread.',
		'fills.0.lowerMl': '1',
		'fills.1.lowerMl': '0,3'
	};
	it('keeps the fillings and takes their new ends', () => {
		expect(correctionOfForm(formOf(fields), ID, old)).toMatchObject({
			ok: true,
			value: {
				supersedes: ID,
				reading: {
					portion: 'half',
					readAs: 'used',
					sure: true,
					fills: [
						{ startMl: 1, end: { lowerMl: 1, upperMl: 1 } },
						{ startMl: 1, end: { lowerMl: 0.3, upperMl: 0.3 } }
					]
				}
			}
		});
	});
	it('puts swapped ends in order, and takes a doubt', () => {
		const outcome = correctionOfForm(
			formOf({ ...fields, 'fills.1.lowerMl': '0.31', 'fills.1.upperMl': '0.3', unsure: 'on' }),
			ID,
			old
		);
		expect(outcome).toMatchObject({
			value: { reading: { sure: false, fills: [{}, { end: { lowerMl: 0.3, upperMl: 0.31 } }] } }
		});
	});
	it('needs a reason, and numbers', () => {
		expect(faultOf(correctionOfForm(formOf({ ...fields, reason: 'x' }), ID, old))).toEqual([
			'invalid-field',
			'reason'
		]);
		expect(faultOf(correctionOfForm(formOf({ ...fields, 'fills.1.lowerMl': '' }), ID, old))).toEqual([
			'invalid-field',
			'reading.fills.1.end.lowerMl'
		]);
		// A word that is none of the choices falls back to what a leaflet asks for first.
		expect(correctionOfForm(formOf({ ...fields, readAs: 'seen' }), ID, old)).toMatchObject({
			value: { reading: { readAs: 'left' } }
		});
	});
});

describe('what comes from outside', () => {
	it('is refused whatever it is, unless it is whole, and never crashes', () => {
		fc.assert(
			fc.property(fc.anything(), (data) => {
				expect(validate(SaveTestRun, data).ok).toBe(false);
				for (const kind of EVENT_KINDS) expect(validate(RECORD_EVENT[kind], data).ok).toBe(false);
			}),
			{ numRuns: 60 }
		);
	});
	it('may not smuggle in a field', () => {
		const note = {
			id: ID,
			waterId: ID,
			kind: 'note',
			happenedAt: 1_700_000_000_000,
			offsetMinutes: 0,
			details: {},
			note: 'x'
		};
		expect(validate(RECORD_EVENT.note, note).ok).toBe(true);
		expect(faultOf(validate(RECORD_EVENT.note, { ...note, siteId: ID }))).toEqual([
			'invalid-field',
			'siteId'
		]);
		expect(faultOf(validate(RECORD_EVENT.note, { ...note, happenedAt: 12 }))).toEqual([
			'invalid-field',
			'happenedAt'
		]);
	});
});
