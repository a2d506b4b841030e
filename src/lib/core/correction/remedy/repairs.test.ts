import { describe, expect, it } from 'vitest';
import { DAILY_LIMITS } from '../../caution/index.ts';
import { judge, PROFILES, type Band } from '../../judgement/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import {
	HUSBANDRY,
	isNeglected,
	limitFault,
	limitFor,
	NEGLECTED_ORDER,
	repairsFor,
	type Standing
} from '../index.ts';

const bands = PROFILES['mixed-reef'].bands as Record<ParameterId, Band>;
const standing = (
	parameter: ParameterId,
	value: number,
	u: number,
	over: Partial<Standing> = {}
): Standing => {
	const { grade, side } = judge(value, u, bands[parameter], null);
	return {
		parameter,
		value: { value, u },
		band: bands[parameter],
		grade: grade!,
		side,
		asOutside: false,
		atS35: null,
		surprising: false,
		...over
	};
};
const kinds = (standings: readonly Standing[]) => repairsFor(standings).map((r) => r.kind);

describe('the order of repairs', () => {
	it('puts right what may harm within days while it is only possible, and leaves alone what no kit can tell', () => {
		const possible = standing('salinity', 35.9, 0.4, { asOutside: true });
		expect(possible.grade).toBe('cannot-tell');
		expect(repairsFor([possible])).toEqual([{ kind: 'salinity', side: 'high' }]);
		expect(repairsFor([{ ...possible, asOutside: false }])).toEqual([
			{ kind: 'leave', parameter: 'salinity', why: 'cannot-tell' }
		]);
		// It is no excuse for an ion that is low: only what is outside for certain is.
		const low = standing('salinity', 34.1, 0.4, { asOutside: true });
		const calcium = standing('calcium', 390, 5, { atS35: { value: 430, u: 5 } });
		expect(kinds([low, calcium])).toEqual(['salinity', 'raise']);
	});
	it('is empty where all is well', () => {
		expect(repairsFor([standing('alkalinity', 8.2, 0.1), standing('calcium', 430, 5)])).toEqual([]);
	});
	it('leaves alone what the kit cannot tell', () => {
		expect(repairsFor([standing('alkalinity', 7.45, 0.3)])).toEqual([
			{ kind: 'leave', parameter: 'alkalinity', why: 'cannot-tell' }
		]);
	});
	it('puts salinity before everything that scales with it, and leaves what only followed it', () => {
		const repairs = repairsFor([
			standing('calcium', 390, 5, { atS35: { value: 428, u: 6 } }),
			standing('salinity', 32, 0.3),
			standing('alkalinity', 6.8, 0.1)
		]);
		expect(repairs[0]).toEqual({ kind: 'salinity', side: 'low' });
		expect(repairs).toContainEqual({ kind: 'leave', parameter: 'calcium', why: 'follows-salinity' });
		expect(repairs).toContainEqual({ kind: 'raise', parameters: ['alkalinity'], first: false });
	});
	it('puts what kills first', () => {
		expect(
			kinds([
				standing('salinity', 32, 0.3),
				standing('ammonia', 0.8, 0.1),
				standing('temperature', 30, 0.2)
			]).slice(0, 3)
		).toEqual(['ammonia', 'warmth', 'salinity']);
	});
	it('puts a water change before many single doses', () => {
		expect(
			kinds([standing('alkalinity', 6.8, 0.1), standing('calcium', 380, 5), standing('nitrate', 30, 2)])[0]
		).toBe('water-change');
		expect(kinds([standing('alkalinity', 6.8, 0.1), standing('calcium', 380, 5)])[0]).toBe('raise');
	});
	it('raises calcium and alkalinity as a pair, magnesium first where it is very low', () => {
		expect(repairsFor([standing('alkalinity', 6.8, 0.1), standing('magnesium', 1050, 20)])).toEqual([
			{ kind: 'raise', parameters: ['magnesium'], first: true },
			{ kind: 'raise', parameters: ['alkalinity'], first: false }
		]);
		expect(repairsFor([standing('calcium', 380, 5), standing('alkalinity', 6.8, 0.1)])[0]).toEqual({
			kind: 'raise',
			parameters: ['calcium', 'alkalinity'],
			first: false
		});
	});
	it('asks husbandry about nutrients, and lowers what is too high', () => {
		expect(kinds([standing('nitrate', 0.2, 0.2)])).toEqual(['nutrient']);
		expect(kinds([standing('alkalinity', 11, 0.2)])).toEqual(['lower']);
		for (const { causes, remedies, tests, testEveryDays } of Object.values(HUSBANDRY)) {
			expect(causes.length * remedies.length * tests.length).toBeGreaterThan(0);
			expect(testEveryDays).toBeGreaterThan(0);
		}
	});
	it('knows a neglected tank by its lost buffer, and its order begins with a test', () => {
		expect(isNeglected([standing('alkalinity', 2.5, 0.2)], 'settled')).toBe(true);
		expect(isNeglected([standing('alkalinity', 2.5, 0.2)], 'cycling')).toBe(false);
		expect(isNeglected([standing('alkalinity', 8.2, 0.2)], 'neglected')).toBe(true);
		expect(NEGLECTED_ORDER.indexOf('bind-ammonia')).toBeLessThan(NEGLECTED_ORDER.indexOf('carbonate-slowly'));
		expect(NEGLECTED_ORDER.indexOf('carbonate-slowly')).toBeLessThan(
			NEGLECTED_ORDER.indexOf('small-changes')
		);
	});
});

describe('limits', () => {
	it('are cautious unless set, and never above the most', () => {
		expect(limitFor('alkalinity', 'up', [], true)).toBe(0.5);
		expect(limitFor('alkalinity', 'up', [], false)).toBeNull();
		const own = [{ parameter: 'alkalinity', direction: 'up', perDay: 0.3 } as const];
		expect(limitFor('alkalinity', 'up', own, true)).toBe(0.3);
		expect(limitFor('alkalinity', 'down', own, true)).toBe(0.5);
		expect(limitFor('alkalinity', 'up', [{ ...own[0]!, perDay: 9 }], true)).toBe(1);
	});
	it('go down at once, up only with a reason', () => {
		const limit = (perDay: number) => ({ parameter: 'calcium', direction: 'up', perDay }) as const;
		expect(limitFault(limit(10), 20, '')).toBeNull();
		expect(limitFault(limit(30), 20, '')).toBe('needs-reason');
		expect(limitFault(limit(30), 20, 'Fish only, no corals in it.')).toBeNull();
		expect(limitFault(limit(60), 20, 'Fish only, no corals in it.')).toBe('above-most');
		expect(limitFault(limit(0), 20, '')).toBe('not-positive');
	});
	it('rise from cautious to most for every parameter', () => {
		for (const { up, down } of Object.values(DAILY_LIMITS)) {
			expect(up.cautious).toBeLessThan(up.most);
			expect(down.cautious).toBeLessThan(down.most);
		}
	});
});
