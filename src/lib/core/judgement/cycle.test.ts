import { describe, expect, it } from 'vitest';
import { NO2_CARD, statedMethodFor } from '../method/index.ts';
import { derive } from '../reading/index.ts';
import { addDays, fromIso } from '../time/index.ts';
import {
	afterCycle,
	cycleReadingOf,
	followCycle,
	USUAL_CYCLE,
	type CycleReading,
	type CycleSettings
} from './index.ts';

const start = fromIso('2026-10-01T08:00:00Z');
const kit = { clearUpTo: 0.05, seesFrom: 0.1 };
/** Daily readings from the letters of a word: 0 none, t a tint, 1 the first colour, then more and more. */
const LEVELS: Readonly<Record<string, readonly [number, number]>> = {
	'0': [0, 0.0506],
	t: [0, 0.101],
	'1': [0.05, 0.17],
	m: [0.4, 0.8],
	h: [1.6, 2.9]
};
const daily = (parameter: CycleReading['parameter'], word: string): CycleReading[] =>
	[...word].flatMap((letter, day) => {
		const range = LEVELS[letter];
		return range
			? [{ at: addDays(start, day + 0.3), parameter, lower: range[0], upper: range[1], ...kit }]
			: [];
	});
const follow = (ammonia: string, nitrite: string, settings: CycleSettings = USUAL_CYCLE) => {
	const readings = [...daily('ammonia', ammonia), ...daily('nitrite', nitrite)].sort((a, b) => a.at - b.at);
	return followCycle(
		readings,
		{ startedAt: start, timeZone: 'Europe/Lisbon' },
		addDays(start, ammonia.length),
		settings
	);
};

describe('the cycle of a new tank', () => {
	it('is told by peak, fall and first zero', () => {
		const state = follow('1mhhm1000', '000mhhhm0');
		expect(state.ammonia).toMatchObject({ falling: true, clearDays: 3, cameBack: false });
		expect(state.ammonia!.peak).toMatchObject({ at: addDays(start, 2.3), lower: 1.6 });
		expect(state.nitrite).toMatchObject({ firstZeroAt: addDays(start, 8.3), clearDays: 1 });
		expect(state).toMatchObject({ phase: 'clearing', doneAt: null, day: 10, needed: 5, clearDays: 1 });
		expect(state.unseen).toEqual({ ammonia: 0.1, nitrite: 0.1 });
	});
	it('goes through its phases', () => {
		expect(follow('000', '000').phase).toBe('not-seen');
		expect(follow('1m', '00').phase).toBe('ammonia-rising');
		expect(follow('1mhm', '0000').phase).toBe('ammonia-falling');
		expect(follow('1mhm00', '000mhh').phase).toBe('nitrite-rising');
		expect(follow('1mhm000', '000mhhm').phase).toBe('nitrite-falling');
	});
	it('is done after so many clear days in a row of both, and not one earlier', () => {
		expect(follow('1hm0000000', '00mh100000').doneAt).toBe(addDays(start, 9.3));
		expect(follow('1hm000000', '00mh10000').doneAt).toBeNull();
		expect(follow('1hm00', '0mh00', { clearDays: 2, school: 'both' }).phase).toBe('done');
	});
	it('never is where nothing was ever seen', () => {
		expect(follow('0'.repeat(30), '0'.repeat(30))).toMatchObject({ phase: 'not-seen', doneAt: null });
		// Ammonia alone is no cycle yet: nitrite may still come.
		expect(follow('1h00000000', '0000000000').doneAt).toBeNull();
	});
	it('follows the school that asks for one of the two', () => {
		expect(follow('1h00000000', '0000000000', { clearDays: 5, school: 'ammonia' }).phase).toBe('done');
		expect(follow('1hhhhhhhhh', '00mh100000', { clearDays: 5, school: 'nitrite' }).doneAt).not.toBeNull();
	});
	it('starts to count anew when something is found again, and when days were missed', () => {
		const again = follow('1hm000000000', '00mh0001m000');
		expect(again.nitrite).toMatchObject({ cameBack: true, clearDays: 3 });
		expect(again.doneAt).toBeNull();
		expect(follow('1hm00000000', '00mh000---00').nitrite!.clearDays).toBe(2);
		expect(follow('1hm0000000', '00mh00-000').nitrite!.clearDays).toBe(5);
	});
	it('takes a tint for neither, and one trace after clear days for a question', () => {
		expect(follow('1hm0000000', '00mh0t0000').nitrite!.clearDays).toBe(5);
		const trace = follow('1hm00000000', '00mh1000001');
		expect(trace.doneAt).toBeNull();
		expect(trace.nitrite).toMatchObject({ inDoubt: true, clearDays: 5 });
		expect(follow('1hm000000000', '00mh10000010').doneAt).not.toBeNull();
		expect(follow('1hm0000000000', '00mh100000110').doneAt).toBeNull();
		// It makes no clear day either: four before it and one after it are five, on six days.
		expect(follow('1hm000000000', '00mh00001000').nitrite).toMatchObject({ clearDays: 7, inDoubt: false });
	});
});

describe('what was found again', () => {
	it('on five days of twelve is not done: the second trace ends the row', () => {
		const state = follow('1hm00000000000000', '00mh1001010110100');
		expect(state.doneAt).toBeNull();
		expect(state.phase).toBe('clearing');
		expect(state.nitrite!.cameBack).toBe(true);
	});
	it('long after one trace is one trace again', () => {
		const state = follow(`1hm${'0'.repeat(25)}`, `00mh000010${'0'.repeat(15)}100`);
		expect(state.phase).toBe('done');
	});
	it('is not what a weekly test finds clear: done stays done', () => {
		const weekly = `${'1hm0000000'}------0------0`;
		const state = follow(weekly, `00mh100000------0------0`);
		expect(state).toMatchObject({ phase: 'done', doneAt: addDays(start, 9.3) });
	});
	it('is called back, not falling, and ends what was done', () => {
		const state = follow('1hm0000000------m', '00mh100000------0');
		expect(state).toMatchObject({ phase: 'ammonia-back', doneAt: null });
		expect(state.ammonia).toMatchObject({ falling: false, cameBack: true });
		expect(follow('1hh0000000mm', '00mh10000000').ammonia).toMatchObject({ falling: false });
		expect(follow('1hh0000000h1', '00mh10000000')).toMatchObject({ phase: 'ammonia-back' });
		expect(follow('1hm0000000', '00mh10000m').phase).toBe('nitrite-back');
	});
	it('and cleared again is done after as many clear days as before', () => {
		expect(follow('1hm0000000m00000', '00mh100000000000').phase).toBe('done');
		expect(follow('1hm0000000m0000', '00mh10000000000').phase).toBe('clearing');
	});
});

describe('a reading of it', () => {
	const on = (index: number) => {
		const derived = derive(NO2_CARD, {
			form: 'step',
			portion: 'full',
			at: { kind: 'on', index },
			between: 'interpolate',
			blank: true
		});
		if (!derived.ok) throw new Error(derived.fault.code);
		return derived.value.outcomes[0].result;
	};
	it('knows what its card shows as none', () => {
		const reading = cycleReadingOf(start, on(0), NO2_CARD)!;
		expect(reading).toMatchObject({ clearUpTo: 0.05, seesFrom: 0.1, lower: 0 });
		expect(reading.upper).toBeLessThan(0.06);
	});
	it('is taken from a laboratory as well, and of nothing else', () => {
		const stated = { kind: 'value', value: 0.02, uRandom: 0.01, uCommon: 0 } as const;
		expect(
			cycleReadingOf(
				start,
				{ ...stated, parameter: 'nitrite', unit: 'mg-per-l-no2' },
				statedMethodFor('nitrite')
			)
		).toMatchObject({ clearUpTo: 0.1, upper: 0.04 });
		expect(
			cycleReadingOf(
				start,
				{ ...stated, parameter: 'nitrate', unit: 'mg-per-l-no3' },
				statedMethodFor('nitrate')
			)
		).toBeNull();
	});
});

describe('what comes after it', () => {
	it('is the change that lowers nitrate, at most half at once, and then animals', () => {
		expect(afterCycle(null, 20)).toEqual({ step: 'measure-nitrate' });
		expect(afterCycle(15, 20)).toEqual({ step: 'first-animals' });
		const change = afterCycle(30, 20);
		expect(change).toMatchObject({ step: 'lower-nitrate', to: 20 });
		// The share that leaves 20 of 30.
		if (change.step === 'lower-nitrate') expect((1 - change.share) * 30).toBeCloseTo(20, 9);
		expect(afterCycle(100, 20)).toMatchObject({ share: 0.5 });
		expect(afterCycle(30, 20, 25)).toMatchObject({ share: 0.5 });
	});
});
