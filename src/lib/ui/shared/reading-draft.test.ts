import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_MG_PAIR,
	HARDNESS_DROPS,
	K_FILTER,
	K_QUICK,
	NO3_CARD,
	NO3_LADDER,
	PO4_METER,
	SALINITY_FLOAT,
	SHIPPED_METHODS,
	statedMethodFor,
	THERMOMETER
} from '$lib/core/method';
import { derive, formOf } from '$lib/core/reading';
import { emptyReading, marksOf, readingOf, type ReadingDraft, type TitrationDraft } from './reading-draft.ts';

const habits = { endPoint: 'full', between: 'interpolate' } as const;
const mark = (ml: number) => ({ startMl: 1, end: { lowerMl: ml, upperMl: ml } });
const empty = (method: Parameters<typeof emptyReading>[0]) => emptyReading(method, habits);
const withTitration = (
	draft: ReadingDraft,
	which: number,
	change: Partial<TitrationDraft>
): ReadingDraft => ({
	...draft,
	titrations: draft.titrations.map((t, i) => (i === which ? { ...t, ...change } : t))
});

describe('a reading in the making', () => {
	it('assumes nothing: of no kit is an untouched draft a reading', () => {
		for (const method of SHIPPED_METHODS) {
			expect(readingOf(method, 'full', empty(method)), method.code).toBeNull();
		}
	});
	it('has one titration for each that the method makes, in its own sense', () => {
		expect(empty(ALK_SYRINGE).titrations).toHaveLength(1);
		expect(empty(CA_MG_PAIR).titrations).toHaveLength(2);
		expect(empty(NO3_CARD).titrations).toHaveLength(0);
		expect(empty(ALK_DROPS).titrations[0]).toMatchObject({ fills: [], least: null, most: null });
		const { meter } = ALK_SYRINGE.titration;
		expect(empty(ALK_SYRINGE).titrations[0]).toMatchObject({
			readAs: meter.kind === 'syringe' ? meter.readAs : '',
			fills: [{ startMl: 1, end: null }]
		});
	});
	it('of a syringe is a reading once its last filling was read, and not before', () => {
		const one = withTitration(empty(ALK_SYRINGE), 0, { fills: [mark(0)] });
		expect(readingOf(ALK_SYRINGE, 'half', one)).toMatchObject({ form: 'syringe', portion: 'half' });
		const refilled = withTitration(one, 0, { fills: [mark(0), { startMl: 1, end: null }] });
		expect(marksOf(refilled.titrations[0])).toBeNull();
		expect(readingOf(ALK_SYRINGE, 'full', refilled)).toBeNull();
		expect(marksOf(undefined)).toBeNull();
	});
	it('says that no drop was needed only where none was typed', () => {
		const none = withTitration(empty(ALK_DROPS), 0, { least: 0 });
		const reading = readingOf(ALK_DROPS, 'full', none)!;
		expect(derive(ALK_DROPS, reading)).toMatchObject({
			value: { outcomes: [{ result: { kind: 'bound', sense: '<' } }] }
		});
	});
	it('puts a range of drops the right way round', () => {
		const draft = withTitration(empty(ALK_DROPS), 0, { least: 23, most: 21, bad: 1 });
		expect(readingOf(ALK_DROPS, 'full', draft)).toMatchObject({ least: 21, most: 23, bad: 1 });
	});
	it('of a pair needs both titrations, of a difference the ion that is taken off', () => {
		const first = withTitration(empty(CA_MG_PAIR), 0, { fills: [mark(0.83)] });
		expect(readingOf(CA_MG_PAIR, 'full', first)).toBeNull();
		const both = withTitration(first, 1, { fills: [mark(0.86)] });
		expect(readingOf(CA_MG_PAIR, 'full', both)).toMatchObject({
			form: 'pair',
			first: { fills: [mark(0.83)] },
			second: { fills: [mark(0.86)] }
		});
		const counted = withTitration(empty(HARDNESS_DROPS), 0, { least: 26 });
		expect(readingOf(HARDNESS_DROPS, 'full', counted)).toBeNull();
		const subtract = { value: 430, uRandom: 6, uCommon: 4, runId: null };
		expect(readingOf(HARDNESS_DROPS, 'full', { ...counted, subtract })).toMatchObject({ subtract });
	});
	it('of a back-titration is read as its titrant is measured', () => {
		for (const method of [K_FILTER, K_QUICK]) {
			const syringe = method.titration.meter.kind === 'syringe';
			const draft = withTitration(empty(method), 0, syringe ? { fills: [mark(0.7)] } : { least: 7 });
			expect(readingOf(method, 'full', draft)?.form).toBe(formOf(method));
		}
	});
	it('of a colour keeps the school, the blank and the second person', () => {
		const draft: ReadingDraft = {
			...emptyReading(NO3_LADDER, { endPoint: 'full', between: 'nearer-step' }),
			at: { kind: 'on', index: 2 },
			circumstances: { light: 'dim', cloudy: true }
		};
		const alone = readingOf(NO3_LADDER, 'full', draft);
		expect(alone).toMatchObject({
			between: 'nearer-step',
			blank: NO3_LADDER.blank,
			light: 'dim',
			cloudy: true
		});
		expect(alone).not.toHaveProperty('second');
		const second = { kind: 'between', index: 2 } as const;
		expect(readingOf(NO3_LADDER, 'full', { ...draft, second })).toMatchObject({ second });
	});
	it('of a display, a float and a thermometer takes what was read, and no more', () => {
		expect(readingOf(PO4_METER, 'full', { ...empty(PO4_METER), shown: 'over' })).toMatchObject({
			form: 'display',
			shown: 'over'
		});
		const half: ReadingDraft = { ...empty(SALINITY_FLOAT), lower: 1.026, temperatureC: 23 };
		expect(readingOf(SALINITY_FLOAT, 'full', half)).toBeNull();
		expect(readingOf(SALINITY_FLOAT, 'full', { ...half, upper: 1.027 })).toMatchObject({
			lower: 1.026,
			upper: 1.027,
			temperatureC: 23
		});
		expect(readingOf(THERMOMETER, 'full', { ...empty(THERMOMETER), lower: 0, upper: 0 })).toMatchObject({
			lower: 0
		});
	});
	it('carries a dilution into any form', () => {
		const dilution = { sampleMl: 1, diluentMl: 4, diluentHolds: 0 };
		const at = { kind: 'on', index: 2 } as const;
		expect(readingOf(NO3_CARD, 'full', { ...empty(NO3_CARD), at, dilution })).toMatchObject({ dilution });
		const count = withTitration({ ...empty(ALK_DROPS), dilution }, 0, { least: 4 });
		expect(readingOf(ALK_DROPS, 'full', count)).toMatchObject({ dilution });
	});
	it('is never made for what somebody else found', () => {
		const method = statedMethodFor('calcium');
		expect(readingOf(method, 'full', empty(method))).toBeNull();
	});
});
