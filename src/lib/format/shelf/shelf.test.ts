import { describe, expect, it } from 'vitest';
import type { ShelfThing } from '$lib/contract/shelf-view';
import { kitFinding, type KitFinding } from '$lib/core/comparison';
import type { TestResult } from '$lib/core/reading';
import { supplyOf, type DatedNote } from '$lib/core/shelf';
import { addDays, fromIso } from '$lib/core/time';
import {
	amountWords,
	correctionSentence,
	findingSentence,
	gradeMove,
	noteWords,
	recipeWords,
	standardSentence,
	supplySentence,
	toBuyWords
} from './shelf';

const now = fromIso('2026-11-23T18:20:00Z');
const ZONE = 'Europe/Lisbon';
const thing = (change: Partial<ShelfThing>) => ({ openedAt: now, ...change }) as ShelfThing;
function finding(value: number, uRandom = 0.1): KitFinding {
	const reading: TestResult = {
		kind: 'value',
		parameter: 'alkalinity',
		unit: 'dkh',
		value,
		uRandom,
		uCommon: 0.1
	};
	const found = kitFinding('alkalinity', [{ holds: { value: 8.1, u: 0.04 }, readings: [reading] }]);
	if (!found.ok) throw new Error(found.fault.code);
	return found.value;
}

describe('what is left, in words', () => {
	it('names the bottle that ends first, and what ends it', () => {
		const left = { tests: 12, endsFirst: 'B' };
		const supply = supplyOf(left, 0.3, null, now);
		expect(supplySentence(thing({ supply }), ZONE, now)).toBe(
			'About 12 tests left; B ends first. At the pace of the last eight weeks that is 40 days.'
		);
		const dated = supplyOf(left, 0.3, addDays(now, 9), now);
		expect(supplySentence(thing({ supply: dated }), ZONE, now)).toContain('Its date ends in 9 days.');
		const past = supplyOf(left, 0.3, addDays(now, -9), now);
		expect(supplySentence(thing({ supply: past }), ZONE, now)).toContain('Past its date since Sat 14 Nov.');
		const empty = supplyOf({ tests: 0, endsFirst: 'B' }, 0.3, null, now);
		expect(supplySentence(thing({ supply: empty }), ZONE, now)).toBe('Empty by the reckoning: B is used up.');
		expect(supplySentence(thing({ supply: supplyOf(left, 0, null, now) }), ZONE, now)).toContain('Not used');
	});
	it('has a unit, and one scoop is one scoop', () => {
		expect(amountWords(0.613, 'ml')).toBe('0.61 mL');
		expect(amountWords(58.4, 'ml')).toBe('58.4 mL');
		expect(amountWords(1, 'scoops')).toBe('1 scoop');
	});
	it('says how a home-made standard was made', () => {
		const details = { tests: null, bottles: [], contents: [], belongsTo: null };
		const volumeMl = { value: 1000, u: 1 };
		const recipe = {
			by: 'weighed',
			salt: 'potassium-nitrate',
			massG: { value: 1.631, u: 0.01 },
			volumeMl
		} as const;
		expect(recipeWords({ ...details, recipe }, () => '')).toBe(
			'1.631 g of potassium nitrate, KNO₃, filled up to 1000 mL'
		);
		const thinned = { by: 'diluted', stockId: 's', takenMl: { value: 5, u: 0.05 }, volumeMl } as const;
		expect(recipeWords({ ...details, recipe: thinned }, () => 'the stock')).toBe(
			'5 mL of the stock, filled up to 1000 mL'
		);
		expect(recipeWords({ ...details, recipe: null }, () => '')).toBe('');
	});
	it('says what to buy and by when', () => {
		const buy = { methodCode: 'x', perDay: 0.3 };
		expect(toBuyWords({ ...buy, why: 'none-left', at: null }, ZONE, now)).toBe('none left that is any good');
		expect(toBuyWords({ ...buy, why: 'used-up', at: addDays(now, 12) }, ZONE, now)).toBe(
			'used up in about 12 days, Sat 5 Dec'
		);
	});
});

describe('a check in words', () => {
	it('says how sure it is that nothing is wrong', () => {
		expect(findingSentence(finding(8.15), 'dkh')).toBe(
			'In order, as far as these readings can tell: an error under 0.2 dKH (3 %) would not show.'
		);
	});
	it('says by how much it is off, which way, and what to do', () => {
		const off = finding(9);
		expect(findingSentence(off, 'dkh')).toMatch(/^It reads 0\.9 ± 0\.2 dKH too high\. Do not go by it/);
		expect(findingSentence(finding(7.83), 'dkh')).toMatch(/too low\. That may be chance/);
		expect(correctionSentence(off, 'dkh')).toBe('Its readings × 0.900, known to ± 2 %.');
		expect(correctionSentence(finding(4), 'dkh')).toMatch(/outside 0\.8 to 1\.25/);
		expect(standardSentence(off.standards[0]!, 'alkalinity', 'dkh')).toBe(
			'Read once 9.0 ± 0.2; the standard holds 8.10 ± 0.08 dKH.'
		);
	});
	it('tells a verdict that changed, and only one that did', () => {
		const move = {
			gradeBefore: { grade: 'inside', side: null },
			gradeAfter: { grade: 'outside', side: 'high' }
		};
		expect(gradeMove(move as never)).toBe('inside → outside, high');
		expect(gradeMove({ ...move, gradeAfter: move.gradeBefore } as never)).toBeNull();
		expect(gradeMove({ ...move, gradeAfter: { grade: null, side: null } } as never)).toBeNull();
	});
	it('has a sentence for every note', () => {
		const at = now;
		const notes: DatedNote[] = [
			{ kind: 'opened', sameLeaflet: true, at },
			{ kind: 'counted', reagent: 'B', amount: 12, at },
			{ kind: 'dropper', reagent: 'B', state: 'leaky', at },
			{ kind: 'drop-size', reagent: 'B', dropMl: 0.0437, u: 0.0004, at },
			{ kind: 'doubted', at },
			{ kind: 'check-accepted', checkId: 'c', parameter: 'alkalinity', from: null, at },
			{ kind: 'check-withdrawn', checkId: 'c', parameter: 'alkalinity', at },
			{ kind: 'put-back', reagent: 'B', at },
			{ kind: 'retired', at },
			{ kind: 'back-in-use', at }
		];
		for (const note of notes) expect(noteWords(note).length).toBeGreaterThan(3);
		expect(noteWords(notes[3]!)).toBe('One drop of B is 43.7 ± 0.8 µL');
	});
});
