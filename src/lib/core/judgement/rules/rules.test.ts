import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsOf, RULES, RULE_IDS, type Facts } from './index.ts';

const none: ReadonlySet<string> = new Set();
const found = (facts: Facts, off: ReadonlySet<string> = none) =>
	findingsOf(RULES, facts, off).map((f) => f.rule);

describe('rules that join parameters', () => {
	it('are silent where nothing is known', () => {
		expect(found({})).toEqual([]);
	});
	it('know low calcium that is only low salinity', () => {
		const thin = { 'calcium.below': 0.97, 'salinity.below': 0.9, 'calcium.s35.below': 0.1 };
		expect(found(thin)).toEqual(['calcium-below-by-salinity']);
		// Brought to S = 35 it is low all the same, or salinity is right: then it is calcium.
		expect(found({ ...thin, 'calcium.s35.below': 0.8 })).toEqual([]);
		expect(found({ ...thin, 'salinity.below': 0.1 })).toEqual([]);
		expect(found({ 'potassium.above': 0.9, 'salinity.above': 0.9, 'potassium.s35.above': 0 })).toEqual([
			'potassium-above-by-salinity'
		]);
	});
	it('know what a medium hides, and what nitrite does to nitrate', () => {
		expect(found({ 'phosphate-medium.runs': 1, 'nitrate.days-since': 9 })).toEqual(['medium-hides-nitrate']);
		expect(found({ 'phosphate-medium.runs': 0, 'nitrate.days-since': 9 })).toEqual([]);
		expect(found({ 'nitrate.fall.z': 2.5, 'nitrite.during-fall': 2 })).toEqual([
			'nitrate-fell-beside-nitrite'
		]);
	});
	it('say that nothing is zero for long only where animals live and no cycle runs', () => {
		const zero = { 'nitrate.zeros': 2, fresh: 0, animals: 1 };
		expect(found(zero)).toEqual(['nitrate-at-zero']);
		expect(found({ ...zero, cycling: 1 })).toEqual([]);
		expect(found({ ...zero, 'phosphate-medium.runs': 1 })).toEqual(['medium-and-no-nitrate']);
	});
	it('can be switched off one by one', () => {
		const thin = { 'mix.magnesium.share': 0.9, 'mix.magnesium.z': -4, 'mix.nitrate.least': 3 };
		expect(found(thin)).toEqual(['thin-in-magnesium', 'nutrients-in-fresh-mix']);
		expect(found(thin, new Set(['thin-in-magnesium']))).toEqual(['nutrients-in-fresh-mix']);
	});
	it('put the strongest first and carry the facts that made them', () => {
		const findings = findingsOf(
			RULES,
			{ 'departure.z': 4, 'ammonia.most': 0.3, 'ph.upper': 8.4, 'salinity.run.high': 5, 'nitrate.zeros': 0 },
			none
		);
		expect(findings.map((f) => f.strength)).toEqual(['strong', 'moderate', 'moderate']);
		expect(findings[0]).toMatchObject({
			rule: 'ammonia-at-high-ph',
			facts: { 'ammonia.most': 0.3, 'ph.upper': 8.4 }
		});
	});
	it('each have a name of their own, something to ask for, and can speak', () => {
		expect(new Set(RULE_IDS).size).toBe(RULES.length);
		for (const rule of RULES) {
			const facts = Object.fromEntries(
				rule.when.map((c) => [c.fact, 'from' in c ? c.from : 'to' in c ? c.to : 1])
			) as Facts;
			expect(found(facts), rule.id).toContain(rule.id);
		}
	});
	it('never speak of a fact that is not known', () => {
		const rule = fc.constantFrom(...RULES);
		fc.assert(
			fc.property(rule, fc.nat(), (one, which) => {
				const left = one.when[which % one.when.length]!.fact;
				const facts = Object.fromEntries(
					one.when
						.filter((c) => c.fact !== left)
						.map((c) => [c.fact, 'from' in c ? c.from : 'to' in c ? c.to : 1])
				) as Facts;
				expect(found(facts)).not.toContain(one.id);
			})
		);
	});
});
