import { describe, expect, it } from 'vitest';
import { portionsOf, SHIPPED_METHODS, stepsFor } from '$lib/core/method';
import { formOf } from '$lib/core/reading';
import { screenOf } from './screen';

const BY_FORM = {
	step: 'steps',
	display: 'display',
	line: 'line',
	syringe: 'titrate',
	drops: 'count-drops',
	pair: 'titrate',
	difference: 'count-drops',
	stated: 'instruction'
};

describe('the screen of a step', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))('%s is read once it is done', (_code, method) => {
		for (const portion of portionsOf(method)) {
			const screens = stepsFor(method, portion).map((s) => screenOf(method, s.action));
			const read = screens.filter((s) => s !== 'instruction');
			if (method.kind === 'stated') expect(read).toEqual([]);
			else expect(new Set(read)).toEqual(new Set([BY_FORM[formOf(method)]]));
		}
	});
	it('of a step "read" in a titration is an instruction', () => {
		const titrated = SHIPPED_METHODS.filter((m) => ['syringe', 'drops', 'pair'].includes(formOf(m)));
		expect(titrated.length).toBeGreaterThan(3);
		for (const method of titrated) expect(screenOf(method, { kind: 'read', handsS: 8 })).toBe('instruction');
	});
	it('of a titration where nothing is titrated is an instruction', () => {
		const card = SHIPPED_METHODS.find((m) => formOf(m) === 'step')!;
		expect(screenOf(card, { kind: 'titrate', handsS: 8 })).toBe('instruction');
	});
});
