import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS } from '../method/index.ts';
import { cleanUpActs, cleanUpS, lastActs } from './clean-up.ts';

const method = (code: string) => SHIPPED_METHODS.find((m) => m.code === code)!;

describe('cleaning up', () => {
	it('closes bottles first, and names what this test used and nothing else', () => {
		expect(cleanUpActs(method('alk-syringe'))).toEqual(['close', 'pour-away', 'titrant', 'vial']);
		expect(lastActs([method('alk-syringe')])).toEqual(['sample-syringes', 'hands']);
		expect(lastActs([method('alk-syringe'), method('no3-card')])).toContain('scoops');
		expect(cleanUpActs(method('k-filter'))).toContain('filter');
	});
	it('never lets heavy metals down the drain', () => {
		for (const m of SHIPPED_METHODS) {
			const isMetal = m.reagents.some((r) => r.hazards.includes('heavy-metal'));
			expect(cleanUpActs(m).includes('collect-metal')).toBe(isMetal);
			if (isMetal) expect(cleanUpActs(m)).not.toContain('pour-away');
		}
	});
	it('takes longer with every test, less than each by itself, as what is done once is done once', () => {
		const [first, second] = [method('alk-syringe'), method('no3-card')];
		const both = cleanUpS([first, second]);
		expect(both).toBeGreaterThan(cleanUpS([first]));
		expect(both).toBeLessThan(cleanUpS([first]) + cleanUpS([second]));
		expect(cleanUpS([])).toBe(30);
	});
});
