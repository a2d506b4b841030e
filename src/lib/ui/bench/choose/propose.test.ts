import { describe, expect, it } from 'vitest';
import type { BenchAnswer } from '$lib/contract/bench';
import { byLongestInterval, type CadenceInput } from '$lib/core/judgement';
import { parametersOf, SHIPPED_METHODS, type Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { addDays, fromIso } from '$lib/core/time';
import { emptyReading } from '$lib/ui/shared/reading-draft';
import { cleanUpLast, cleanUpOf, nextWords, rowsOf, summaryText } from '../finish/finish-words';
import { draftOfSheet, makeDraft, thinned } from '../make-draft';
import { lengthOf, offersFor, proposalsFor } from './propose';

const now = fromIso('2026-11-23T18:20:00Z');
const ZONE = 'Europe/Lisbon';
const USUAL: readonly ParameterId[] = ['alkalinity', 'calcium', 'nitrate', 'phosphate', 'ammonia'];

function answer(change: Partial<CadenceInput> = {}): BenchAnswer {
	const cadence: CadenceInput = {
		now,
		profile: 'mixed-reef',
		usual: USUAL,
		lastAt: { alkalinity: addDays(now, -15), calcium: addDays(now, -2), nitrate: addDays(now, -31) },
		firstAt: addDays(now, -300),
		mediumRuns: false,
		doubtful: [],
		unconfirmed: [],
		asked: [],
		outlooks: {},
		habit: { kind: 'reckoned', chance: 0.2 },
		...change
	};
	return {
		waterName: 'Lobby reef',
		leftOut: [],
		cadence,
		due: byLongestInterval(cadence),
		sessions: [],
		usual: USUAL,
		slipPriors: {} as BenchAnswer['slipPriors'],
		standards: [],
		before: {},
		kits: [
			{
				id: 'kit',
				name: 'Nitrate by colour card',
				lotCode: 'N-1',
				methodCode: 'no3-card',
				droppers: {},
				corrections: {},
				goodUntil: null,
				parameters: ['calcium'],
				boxComplete: true,
				testsLeft: null
			}
		],
		offers: SHIPPED_METHODS.filter((m) => m.kind !== 'stated').map((method) => ({
			method,
			own: false,
			practised: false,
			common: false,
			contexts: Object.fromEntries(
				parametersOf(method).map((p) => [p, { band: { low: 7.5, high: 9, aim: 8.2 }, expected: null }])
			),
			lastAt: null,
			lastUsedAt: method.code === 'alk-drops' ? addDays(now, -15) : null
		}))
	};
}

describe('what the bench proposes', () => {
	it('ticks what is due and shows what will be', () => {
		const { proposals, fitting } = proposalsFor(answer(), 'w', null, 'all', now, ZONE);
		const ticked = proposals.filter((p) => fitting.has(p.key)).map((p) => p.due.parameter);
		expect(ticked).toEqual(['alkalinity', 'nitrate', 'phosphate']);
		expect(proposals.filter((p) => !p.isDue).map((p) => p.due.parameter)).toEqual(['calcium']);
	});
	it('leaves out what does not fit into ten minutes, and keeps alkalinity where there is time for one', () => {
		const ten = proposalsFor(answer(), 'w', null, 'ten', now, ZONE);
		const chosen = ten.proposals.filter((p) => ten.fitting.has(p.key));
		expect(chosen.length).toBeGreaterThan(0);
		expect(lengthOf(chosen.map((p) => p.offers[0]!))).toBeLessThanOrEqual(600);
		expect([...proposalsFor(answer(), 'w', null, 'one', now, ZONE).fitting]).toEqual(['w/alkalinity']);
	});
	it('asks for a panel when something has happened', () => {
		const { proposals, fitting } = proposalsFor(answer(), 'w', 'death', 'all', now, ZONE);
		expect(proposals.map((p) => p.due.parameter)).toEqual(['ammonia', 'nitrate', 'alkalinity']);
		expect(fitting.size).toBe(3);
	});
	it('offers the method used last, then one whose kit is on the shelf', () => {
		expect(offersFor(answer(), 'alkalinity')[0]!.method.code).toBe('alk-drops');
		expect(offersFor(answer(), 'nitrate')[0]!.method.code).toBe('no3-card');
	});
	it('takes half as long laid out as one test after the other', () => {
		const offers = answer().offers.filter((o) =>
			['no3-card', 'nh3-card', 'no2-card'].includes(o.method.code)
		);
		const alone = offers.reduce((sum, o) => sum + lengthOf([o]), 0);
		expect(lengthOf(offers)).toBeLessThan(0.65 * alone);
	});
});

const habits = { endPoint: 'full', between: 'interpolate' } as const;
let made = 0;
const making = { habits, now, newId: () => `id-${++made}` };
const plain = { portion: 'full', dilution: null, ageH: 0, keptHow: '', kit: null, standard: null } as const;
const method = (code: string) => SHIPPED_METHODS.find((m) => m.code === code)!;

describe('a test that is made', () => {
	it('has ids of its own, its sample’s age, and the sample it repeats', () => {
		const first = makeDraft('w', method('no3-card'), { ...plain, ageH: 4, keptHow: 'cool' }, null, making);
		expect(new Set([first.runId, first.sampleId, first.readingId]).size).toBe(3);
		expect((now - first.drawnAt) / 3_600_000).toBe(4);
		const again = makeDraft('w', method('no3-card'), plain, first, making);
		expect([again.sampleId, again.drawnAt]).toEqual([first.sampleId, first.drawnAt]);
		expect(again.runId).not.toBe(first.runId);
	});
	it('is thinned in parts of its own sample', () => {
		expect(thinned(method('no3-ladder'), 'full', 5)).toEqual({
			sampleMl: 1.8,
			diluentMl: 7.2,
			diluentHolds: 0
		});
		expect(thinned(method('no3-ladder'), 'full', 1)).toBeNull();
	});
	it('comes back from a sheet, if its method and water are known', () => {
		const row = {
			runId: 'r',
			sampleId: 's',
			readingId: 'x',
			waterId: 'w',
			methodCode: 'no3-ladder',
			methodVersion: method('no3-ladder').version,
			portion: 'full' as const,
			dilutionParts: 5,
			kitId: null,
			standardId: null,
			drawnAt: now,
			startedAt: now,
			log: [],
			over: false
		};
		const draft = draftOfSheet(row, answer(), habits)!;
		expect(draft.reading.dilution).toMatchObject({ sampleMl: 1.8 });
		expect(draftOfSheet({ ...row, methodCode: 'moon' }, answer(), habits)).toBeNull();
		expect(draftOfSheet(row, undefined, habits)).toBeNull();
	});
});

describe('the end of a session', () => {
	const result: TestResult = {
		kind: 'value',
		parameter: 'alkalinity',
		unit: 'dkh',
		value: 8.1,
		uRandom: 0.1,
		uCommon: 0.1
	};
	const draft = { ...makeDraft('w', method('alk-drops'), plain, null, making), note: 'poor light' };
	const session = {
		id: 's',
		waterId: 'w',
		revision: 3,
		alone: false,
		startedAt: addDays(now, -0.02),
		tests: [],
		finished: [
			{
				draft,
				results: [result],
				deviations: [{ stepId: '3-drops', planned: 2, actual: 4, what: 'count' as const }],
				finishedAt: now
			},
			{
				draft: { ...draft, runId: 'given-up', reading: emptyReading(draft.method, habits) },
				results: null,
				deviations: [],
				finishedAt: now
			}
		],
		at: null,
		order: [],
		wishes: [],
		guidance: 'card' as const,
		changeoverS: 8,
		vials: null,
		pausedAt: null,
		seenAt: now
	};
	const units = { alkalinity: 'dkh' } as never;
	it('tells every result with what was unusual, and what was given up', () => {
		const rows = rowsOf(session, units, () => answer());
		expect(rows[0]).toMatchObject({ name: 'Alkalinity', result: '8.1 ± 0.3 dKH' });
		expect(rows[0]!.unusual.join(' ')).toMatch(/had 4 of 2 drops.*poor light/);
		expect(rows[1]).toMatchObject({ result: 'given up', verdict: '' });
		const text = summaryText(session, rows, ZONE, now);
		expect(text).toMatch(/^Tested on Monday 23 November at 17:51, 29 min\./);
		expect(text).toContain('Alkalinity: 8.1 ± 0.3 dKH.');
	});
	it('judges nothing by what cannot be trusted', () => {
		const [done] = session.finished;
		const spilled = { stepId: '3-drops', planned: 2, actual: 2, what: 'spilled' as const };
		const [row] = rowsOf({ ...session, finished: [{ ...done!, deviations: [spilled] }] }, units, () =>
			answer()
		);
		expect(row!.verdict).toBe('Test again.');
		expect(row!.unusual.join()).toContain('cannot be trusted');
	});
	it('says when to test again, counted from now', () => {
		const lines = nextWords(session, () => answer(), now, ZONE);
		expect(lines).toContain('Nitrate now');
		expect(lines).toContain('Alkalinity on Mon 7 Dec');
	});
	it('says it of all that was found outside, however much is due before', () => {
		const read = (parameter: 'magnesium' | 'potassium', value: number) => ({
			...session.finished[0]!,
			results: [{ ...result, parameter, unit: 'mg-per-l' as const, value }]
		});
		const usual = [
			'alkalinity',
			'calcium',
			'nitrate',
			'phosphate',
			'salinity',
			'magnesium',
			'potassium'
		] as const;
		const lines = nextWords(
			{ ...session, finished: [read('magnesium', 660), read('potassium', 8.1)] },
			() => answer({ usual }),
			now,
			ZONE
		);
		expect(lines).toContain('Magnesium on Mon 30 Nov');
		// What lies inside has the four places like all else.
		expect(lines.join()).not.toContain('Potassium');
		expect(lines).toHaveLength(5);
	});
	it('cleans up what was used, by the keeper’s habit', () => {
		const five = ['alk-syringe', 'no3-ladder', 'k-filter'].map(method);
		const cleanUp = (methods: readonly Method[], unused: 'discard' | 'put-back') =>
			[...methods.flatMap((m) => cleanUpOf(m, unused)), ...cleanUpLast(methods)].join(' ');
		const lines = cleanUp(five, 'discard');
		for (const part of [
			'never down the drain',
			'filter',
			'waste',
			'rinse syringe and tip',
			'Wash your hands'
		]) {
			expect(lines).toContain(part);
		}
		expect(cleanUp(five, 'put-back')).toContain('where the leaflet allows it');
		expect(cleanUp([method('thermometer')], 'discard')).not.toContain('titrant');
	});
});
