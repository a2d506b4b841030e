import { describe, expect, it } from 'vitest';
import type { RepairSeen } from '$lib/contract/adjust';
import {
	CHANGE_STEPS,
	HUSBANDRY,
	HUSBANDRY_IDS,
	NEGLECTED_ORDER,
	type Followed,
	type GoalRefusal,
	type PlanStep
} from '$lib/core/correction';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import {
	amountWords,
	batchFindingWords,
	courseWords,
	listed,
	movedWords,
	planTitle,
	reasonWords,
	refusalWords,
	repairTitle,
	repairValue,
	repairWhy,
	stepAside,
	stepWords
} from './adjust';
import { DANGERS, dangersOf } from './danger';
import { CAUSES, CHANGE_WORDS, HUSBANDRY_TITLES, NEGLECTED, REMEDIES } from './husbandry';

const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Record<
	ParameterId,
	UnitId
>;
const inMeq = { ...units, alkalinity: 'meq-per-l' as UnitId };
const step = (what: PlanStep['what'], day = 0): PlanStep => ({ id: 'x', day, what });
const dose = (over: object = {}): PlanStep =>
	step({
		kind: 'dose',
		parameter: 'alkalinity',
		supplementId: 'salt:NaHCO3',
		name: 'Sodium bicarbonate',
		amount: 41.7,
		unit: 'g',
		portions: 1,
		rise: 0.43,
		...over
	});
const seen = (repair: RepairSeen['repair']): RepairSeen => ({
	repair,
	values: [],
	husbandry: null,
	planned: false,
	ways: []
});

describe('amounts', () => {
	it.each([
		[12, 'g', '12 g'],
		[1234, 'g', '1.23 kg'],
		[8.456, 'ml', '8.46 mL'],
		[1400, 'ml', '1.4 L'],
		[0.159, 'g', '0.159 g']
	] as const)('%f %s is %s', (amount, unit, words) => expect(amountWords(amount, unit)).toBe(words));
	it('lists parameters as one says them', () => {
		expect(listed(['alkalinity'])).toBe('alkalinity');
		expect(listed(['alkalinity', 'calcium'])).toBe('alkalinity and calcium');
		expect(listed(['alkalinity', 'calcium', 'magnesium'])).toBe('alkalinity, calcium and magnesium');
		expect(listed([])).toBe('');
	});
});

describe('repairs in words', () => {
	it('have a title and a reason, each of its own', () => {
		const repairs: RepairSeen['repair'][] = [
			{ kind: 'ammonia', parameters: ['ammonia'] },
			{ kind: 'warmth', side: 'low' },
			{ kind: 'salinity', side: 'high' },
			{ kind: 'water-change', parameters: ['nitrate', 'calcium', 'alkalinity'] },
			{ kind: 'raise', parameters: ['magnesium'], first: true },
			{ kind: 'raise', parameters: ['alkalinity', 'calcium'], first: false },
			{ kind: 'raise', parameters: ['potassium'], first: false },
			{ kind: 'lower', parameter: 'alkalinity' },
			{ kind: 'acidity', side: 'low' },
			{ kind: 'nutrient', parameter: 'nitrate', side: 'low' },
			{ kind: 'leave', parameter: 'calcium', why: 'follows-salinity' },
			{ kind: 'leave', parameter: 'calcium', why: 'cannot-tell' }
		];
		const whys = repairs.map((r) => repairWhy(seen(r)));
		expect(new Set(whys).size).toBe(whys.length);
		expect(repairTitle(repairs[5]!)).toBe('Raise alkalinity and calcium');
		expect(repairTitle(repairs[9]!)).toBe('Let nitrate rise');
		expect(whys[5]).toMatch(/as a pair/);
	});
	it('name the value in the unit that the person chose', () => {
		const value = {
			parameter: 'alkalinity',
			value: 6.9,
			u: 0.1,
			low: 7.5,
			high: 9,
			aim: 8.2,
			surprising: false,
			onlyPossible: false
		} as const;
		expect(repairValue(value, units)).toBe('Alkalinity 6.9 ± 0.2 dKH, wanted 7.5–9, aim 8.2');
		expect(repairValue(value, inMeq)).toBe('Alkalinity 2.46 ± 0.07 meq/L, wanted 2.67–3.21, aim 2.92');
	});
});

describe('steps in words', () => {
	it.each([
		[dose(), 'Add 41.7 g of Sodium bicarbonate'],
		[dose({ portions: 3 }), 'Add 41.7 g of Sodium bicarbonate, in 3 parts of 13.9 g over the day'],
		[
			step({ kind: 'test', parameters: ['alkalinity'], repeats: 1, why: 'before' }),
			'Test alkalinity a second time before anything is added'
		],
		[
			step({ kind: 'test', parameters: ['alkalinity', 'calcium'], repeats: 3, why: 'end' }),
			'Test alkalinity and calcium, 3 times'
		],
		[
			step({
				kind: 'daily-dose',
				parameter: 'alkalinity',
				name: 'Part one',
				fromPerDay: 24,
				toPerDay: 28.5,
				unit: 'ml',
				strength: []
			}),
			'Set the daily dose of Part one to 28.5 mL; so far 24 mL'
		],
		[
			step({
				kind: 'daily-dose',
				parameter: 'potassium',
				name: 'Drops',
				fromPerDay: 0,
				toPerDay: 3,
				unit: 'ml',
				strength: []
			}),
			'Begin a daily dose of 3 mL of Drops, for what is used'
		],
		[
			step({ kind: 'salinity', from: 33, to: 33.5, saltKg: 0.31, exchangeL: 0 }),
			'Dissolve 310 g of salt mix in water from the tank, for 33.5'
		],
		[
			step({ kind: 'salinity', from: 36, to: 35, saltKg: 0, exchangeL: 11.5 }),
			'Exchange 11.5 L for purified water, for 35'
		],
		[step({ kind: 'change', number: 1, litres: 54, batch: 'Batch 9' }), 'Change 54 L of water, with Batch 9'],
		[step({ kind: 'remedy', remedy: 'feed-less' }), REMEDIES['feed-less']]
	])('%#', (one, words) => expect(stepWords(one, units)).toBe(words));
	it('say beside a dose what it raises, in the chosen unit', () => {
		expect(stepAside(dose(), units)).toMatch(/^alkalinity \+0\.43\d* dKH$/);
		expect(stepAside(dose(), inMeq)).toMatch(/^alkalinity \+0\.153\d* meq\/L$/);
		expect(stepAside(step({ kind: 'test', parameters: [], repeats: 1, why: 'midway' }), units)).toBe(
			'midway'
		);
	});
	it('title plans by what they do', () => {
		expect(
			planTitle(
				{ kind: 'doses', volumeKnown: true, goals: [{ parameter: 'calcium', aim: 430, supplementId: 'a' }] },
				[]
			)
		).toBe('Raise calcium');
		expect(planTitle({ kind: 'changes', litres: 54, count: 3, everyDays: 7, batch: '' }, [])).toBe(
			'3 water changes of 54 L'
		);
		expect(planTitle({ kind: 'husbandry', id: 'nitrate-high' }, ['nitrate'])).toBe(
			'Nitrate is high: watch nitrate'
		);
	});
});

describe('what a plan cannot do', () => {
	const refusals: GoalRefusal[] = [
		{ kind: 'nothing-to-do', parameter: 'calcium' },
		{ kind: 'cannot-lower', parameter: 'alkalinity' },
		{ kind: 'rises-by-itself', parameter: 'nitrate', days: 4.2 },
		{ kind: 'brings-too-much', parameter: 'potassium', of: 'phosphate' },
		{ kind: 'too-far', parameter: 'calcium', nearest: 402.123 },
		{ kind: 'beyond-bacteria', parameter: 'alkalinity', nearest: 14 },
		{ kind: 'overcharged', parameter: 'alkalinity', by: 'saturation', nearest: 11.234 }
	];
	it('is said in a sentence with the nearest that can be reached', () => {
		const words = refusals.map((r) => refusalWords(r, units));
		expect(new Set(words).size).toBe(words.length);
		expect(words[2]).toContain('about 5 days');
		expect(words[4]).toContain('402 mg/L');
		expect(words[6]).toContain('11.2 dKH');
		for (const sentence of words) expect(sentence).toMatch(/\.$/);
	});
});

describe('on course or not', () => {
	const followed = (course: Followed['course']): Followed => ({
		response: { value: 0.62, u: 0.07 },
		drift: { value: -0.21, u: 0.03 },
		course,
		evidence: 3,
		z: -2
	});
	it('says by how much the water answers', () => {
		expect(courseWords('potassium', followed('weaker'), 'mg-per-l')).toBe(
			'Potassium is off course: the water answers with 62 ± 14 % of what the doses should do.'
		);
		expect(courseWords('alkalinity', followed('use-changed'), 'dkh')).toMatch(
			/its use has changed\..*falls by 0\.21 ± 0\.06 dKH a day/
		);
		expect(courseWords('alkalinity', followed('stronger'), 'dkh')).toMatch(/Do not add more/);
		expect(courseWords('alkalinity', followed('on-course'), 'dkh')).toBe('Alkalinity is on course.');
		expect(courseWords('alkalinity', followed('too-early'), 'dkh')).toMatch(/too early/);
	});
	it('says which is likelier wrong, product or volume', () => {
		const volumeL = { value: 250, u: 12 };
		expect(reasonWords({ kind: 'volume', volumeL })).toMatch(/250 ± 20 L/);
		expect(reasonWords({ kind: 'either', volumeL })).toMatch(/^Either the product/);
		expect(reasonWords({ kind: 'product' })).toMatch(/not what the label says/);
	});
});

describe('before and after', () => {
	it('shows as many digits as are known, and no change as none', () => {
		expect(movedWords({ what: 'alkalinity', before: 6.9, after: 8.2, u: 0.15 }, units)).toEqual({
			before: '6.9 dKH',
			after: '8.2 ± 0.3',
			change: '+1.30'
		});
		expect(movedWords({ what: 'calcium', before: 421, after: 421, u: 6 }, units).change).toBe('0');
		expect(movedWords({ what: 'calcium', before: 421, after: 411, u: 6 }, units).change).toBe('−10.0');
		expect(movedWords({ what: 'chloride', before: 19_800, after: 19_840, u: 200 }, units).change).toBe('+40');
		expect(movedWords({ what: 'ph-at-once', before: 8.1, after: 8.04, u: 0.05 }, units).change).toBe('−0.06');
		expect(movedWords({ what: 'salinity', before: 35, after: 35.012, u: 0.001 }, units).change).toBe(
			'+0.012'
		);
	});
});

describe('batches and dangers', () => {
	it('say what is wrong with a batch and what to do', () => {
		expect(batchFindingWords({ kind: 'thin-magnesium', atS35: 1204.2, short: 110.3 })).toMatch(
			/1204 mg\/L.*110 less/
		);
		expect(batchFindingWords({ kind: 'holds-nutrient', parameter: 'nitrate', value: 3.94 })).toMatch(
			/3\.9 mg\/L/
		);
		expect(batchFindingWords({ kind: 'salinity-off', value: 33.2, aim: 35 })).toBe(
			'Salinity is 33.2; 35 was meant.'
		);
		expect(batchFindingWords({ kind: 'not-tested' })).toMatch(/before it is used/);
	});
	it('stand where they arise', () => {
		expect(dangersOf([dose()])).toEqual(['label', 'slowly', 'caustic', 'grade', 'children']);
		const pair = [dose(), dose({ parameter: 'calcium', supplementId: 'salt:CaCl2.2H2O' })];
		expect(dangersOf(pair)).toEqual(expect.arrayContaining(['concentrates', 'heats']));
		expect(dangersOf([dose({ parameter: 'nitrate', supplementId: 'salt:NaNO3' })])).toContain('oxidiser');
		expect(dangersOf([step({ kind: 'change', number: 1, litres: 5, batch: '' })])).toEqual(['mains']);
		for (const words of Object.values(DANGERS)) expect(words).toMatch(/\.$/);
	});
	it('have words for every cause, remedy and step', () => {
		for (const id of HUSBANDRY_IDS) {
			expect(HUSBANDRY_TITLES[id]).toBeTruthy();
			for (const cause of HUSBANDRY[id].causes) expect(CAUSES[cause]).toMatch(/\?$/);
			for (const remedy of HUSBANDRY[id].remedies) expect(REMEDIES[remedy]).toMatch(/\.$/);
		}
		for (const one of CHANGE_STEPS) expect(CHANGE_WORDS[one]).toMatch(/\.$/);
		for (const one of NEGLECTED_ORDER) expect(NEGLECTED[one]).toMatch(/\.$/);
	});
});
