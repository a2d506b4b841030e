import { describe, expect, it } from 'vitest';
import { NO3_CARD, SHIPPED_METHODS } from '$lib/core/method';
import { HAPPENINGS, type WhyDue } from '$lib/core/judgement';
import {
	deviationWords,
	durationOf,
	effectWords,
	HAPPENING_NAMES,
	lateWords,
	overdueWords,
	whyDue,
	wishWords
} from './bench';
import { movementsOf } from './movements';

const interval = (change: Partial<Extract<WhyDue, { kind: 'interval' }>>): WhyDue => ({
	kind: 'interval',
	days: 8.4,
	everyDays: 7,
	phase: 'learning',
	medium: false,
	...change
});
const stand = NO3_CARD.steps.find((s) => s.action.kind === 'stand')!;

describe('the bench in words', () => {
	it('says why a test is proposed', () => {
		expect(whyDue({ why: interval({}) })).toBe(
			'Read 8 days ago; every 7 days while this water is being learned'
		);
		expect(whyDue({ why: interval({ days: 1.2, everyDays: 1, phase: 'cycling' }) })).toBe(
			'Read yesterday; every day while the tank cycles'
		);
		expect(whyDue({ why: interval({ medium: true, phase: 'settled' }) })).toMatch(/phosphate medium/);
		expect(whyDue({ why: { kind: 'never' } })).toBe('Never read in this water');
		for (const what of HAPPENINGS)
			expect(whyDue({ why: { kind: 'happening', what } })).toBe(HAPPENING_NAMES[what]);
	});
	it('says by how much something is late, and what that does', () => {
		expect(lateWords(12.4)).toBe('12 s late');
		expect(lateWords(130)).toBe('2:10 min late');
		expect(effectWords({ relative: 0, repeat: false })).toMatch(/nothing/);
		expect(effectWords({ relative: 0.146, repeat: false })).toBe(
			'The result is less certain by 15 % of its value.'
		);
		expect(effectWords({ relative: 0.1, repeat: true })).toMatch(/test again/);
		expect(
			overdueWords(
				{ test: 'x', step: stand, lateS: 95, effect: { relative: 0.13, repeat: false } },
				'Nitrate'
			)
		).toBe(
			'Nitrate: “Wait exactly 6 minutes” is over, 1:35 min late. The result is less certain by 13 % of its value.'
		);
	});
	it('says what was not as written', () => {
		const of = (what: Parameters<typeof deviationWords>[0]['what']) =>
			deviationWords({ stepId: stand.id, planned: 360, actual: 500, what }, stand);
		expect(of('seconds')).toBe('“Wait exactly 6 minutes” took 500 s instead of 360 s.');
		expect(of('count')).toContain('500 of 360 drops');
		expect(of('mixed')).toContain('should rest');
		expect(deviationWords({ stepId: '3-gone', planned: 1, actual: 0, what: 'spilled' }, undefined)).toContain(
			'3-gone'
		);
	});
	it('names a wish that cannot be kept', () => {
		const name = (t: string) => t.toUpperCase();
		expect(wishWords({ kind: 'pin', step: 'a/1', atS: 600 }, name)).toBe(
			'A at 10 min cannot be kept beside the rest.'
		);
		expect(wishWords({ kind: 'first', test: 'a', before: 'b' }, name)).toBe('A cannot come before B.');
		expect(wishWords({ kind: 'alone', test: 'a' }, name)).toContain('for A');
	});
	it('has a short word for every wait and a hand movement for every step of every kit', () => {
		expect(durationOf(stand)).toBe('exactly 6 min');
		for (const method of SHIPPED_METHODS) {
			for (const step of method.steps) {
				const movements = movementsOf(step, false, true);
				if (step.action.kind !== 'do')
					expect(movements.length, `${method.code} ${step.id}`).toBeGreaterThan(0);
				for (const words of movements) expect(words).toMatch(/[.]$/);
				if (step.action.kind === 'stand' || step.action.kind === 'filter')
					expect(durationOf(step)).not.toBe('');
			}
		}
	});
});
