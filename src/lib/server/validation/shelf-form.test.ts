import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fromIso } from '$lib/core/time';
import { decisionOfForm, deriveOfForm, finishOfForm, itemOfForm, noteOfForm } from './shelf-form';
import { madeStandardOfForm } from './standard-form';

const ID = '01a209a2-e483-7549-85e5-e5f4ef0138cc';
const OTHER = '01a209a2-e483-7549-85e5-e5f4ef0138cd';
const now = fromIso('2026-11-23T18:20:00Z');
const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].units[0]!])) as Record<
	ParameterId,
	UnitId
>;
const context = { waterId: OTHER, timeZone: 'Europe/Lisbon', units };

function form(fields: Readonly<Record<string, string | readonly string[]>>): FormData {
	const data = new FormData();
	for (const [name, value] of Object.entries(fields)) {
		for (const one of typeof value === 'string' ? [value] : value) data.append(name, one);
	}
	return data;
}
const fieldOf = (result: { ok: boolean; fault?: { field?: string } }) =>
	result.ok ? null : result.fault?.field;

const KIT = {
	id: ID,
	kind: 'kit',
	name: 'Alkalinity by syringe',
	lotCode: 'A-1',
	method: 'alk-syringe@2',
	price: '14,50',
	boughtAt: '2026-10-01',
	expiresAt: '2027-12-31',
	tests: '60',
	bottle: ['A', 'B'],
	'full.A': '10',
	'unit.A': 'ml',
	'full.B': '60,5',
	'unit.B': 'ml'
} as const;

describe('the form of a new thing', () => {
	it('becomes a kit with its bottles, decimal commas and days', () => {
		const read = itemOfForm(form(KIT), context);
		expect(read).toMatchObject({
			ok: true,
			value: {
				kind: 'kit',
				methodCode: 'alk-syringe',
				methodVersion: 2,
				price: 14.5,
				boughtAt: fromIso('2026-10-01T11:00:00Z'),
				details: {
					tests: 60,
					bottles: [
						{ reagent: 'A', unit: 'ml', full: 10 },
						{ reagent: 'B', unit: 'ml', full: 60.5 }
					],
					contents: [],
					belongsTo: null
				}
			}
		});
	});
	it('leaves out a bottle that is left empty, and dates that nobody knows', () => {
		const read = itemOfForm(form({ ...KIT, 'full.A': '', boughtAt: '', expiresAt: '', tests: '' }), context);
		expect(read).toMatchObject({ value: { boughtAt: null, expiresAt: null, details: { tests: null } } });
		expect(read.ok && read.value.details.bottles).toHaveLength(1);
	});
	it.each([
		['kind', { kind: 'ghost' }, 'kind'],
		['no name', { name: '' }, 'name'],
		['letters for a price', { price: 'cheap' }, 'price'],
		['less than nothing', { price: '-3' }, 'price'],
		['an empty bottle', { 'full.B': '0' }, 'details.bottles.1.full'],
		['a unit that is none', { 'unit.B': 'buckets' }, 'details.bottles.1.unit'],
		['half a test', { tests: '2.5' }, 'details.tests'],
		['a day that is none', { boughtAt: '2026-13-45' }, 'boughtAt'],
		['an id that is none', { id: '7' }, 'id']
	])('names the field of %s', (_what, change, field) => {
		expect(fieldOf(itemOfForm(form({ ...KIT, ...change }), context))).toBe(field);
	});
	it('reads a standard in the units that its reader chose, ± as on the label', () => {
		const own = { ...context, units: { ...units, alkalinity: 'meq-per-l' as const } };
		const standard = {
			id: ID,
			kind: 'standard',
			name: 'Check',
			'content.alkalinity': '2.89',
			'u.alkalinity': '0.03'
		};
		const read = itemOfForm(form(standard), own);
		if (!read.ok) throw new Error(read.fault.field);
		const [content] = read.value.details.contents;
		expect(content!.value).toBeCloseTo(8.103, 3);
		expect(content!.u).toBeCloseTo((0.03 * 2.80385) / 2, 5);
		// Without a word of it one per cent is taken, and of nothing never nothing.
		const silent = itemOfForm(form({ ...standard, 'u.alkalinity': '', 'content.nitrate': '0' }), own);
		expect(silent.ok && silent.value.details.contents.map((c) => c.u > 0)).toEqual([true, true]);
	});
	it('knows which reagent a syringe belongs to', () => {
		const syringe = { id: ID, kind: 'syringe', name: 'Green dot', belongsTo: 'ca-syringe/C' };
		expect(itemOfForm(form(syringe), context)).toMatchObject({
			value: { details: { belongsTo: { methodCode: 'ca-syringe', reagent: 'C' } } }
		});
		expect(itemOfForm(form({ ...syringe, belongsTo: '' }), context)).toMatchObject({
			value: { details: { belongsTo: null } }
		});
	});
});

describe('the form of a note', () => {
	const noted = (fields: Readonly<Record<string, string>>) =>
		noteOfForm(form({ id: ID, ...fields }), OTHER, context, now);
	it.each([
		['opened', { sameLeaflet: 'yes' }, { sameLeaflet: true }],
		['counted', { reagent: 'B', amount: '12,5' }, { reagent: 'B', amount: 12.5 }],
		['dropper', { reagent: 'B', state: 'leaky' }, { reagent: 'B', state: 'leaky' }],
		['put-back', { reagent: 'B' }, { reagent: 'B' }],
		['doubted', {}, {}],
		['retired', {}, {}],
		['back-in-use', {}, {}]
	])('of %s has what it needs, and is of now', (kind, fields, details) => {
		expect(noted({ kind, ...fields })).toMatchObject({
			ok: true,
			value: { kind, details, happenedAt: now }
		});
	});
	it('keeps how a drop was measured, either way', () => {
		const drops = { kind: 'drop-size', reagent: 'B', drops: '20' };
		expect(
			noted({ ...drops, by: 'weighing', massG: '0,92', uMassG: '0.01', densityGPerMl: '1.002' })
		).toMatchObject({ value: { details: { trial: { by: 'weighing', drops: 20, massG: 0.92 } } } });
		expect(noted({ ...drops, by: 'mark', ml: '1', uMl: '0.02' })).toMatchObject({
			value: { details: { trial: { by: 'mark', ml: 1 } } }
		});
		expect(noted({ ...drops, by: 'weighing', massG: '' }).ok).toBe(false);
		expect(noted({ ...drops, drops: '2', by: 'mark', ml: '1', uMl: '0.02' }).ok).toBe(false);
	});
	it('refuses what is no note, less than nothing, and a time that is none', () => {
		expect(fieldOf(noted({ kind: 'sung' }))).toBe('kind');
		expect(fieldOf(noted({ kind: 'counted', reagent: 'B', amount: '-1' }))).toBe('details.amount');
		expect(fieldOf(noted({ kind: 'counted', reagent: 'B', amount: 'some' }))).toBe('details.amount');
		expect(fieldOf(noted({ kind: 'dropper', reagent: 'B', state: 'sad' }))).toBe('details.state');
		expect(fieldOf(noted({ kind: 'doubted', happenedAt: 'yesterday' }))).toBe('happenedAt');
	});
});

describe('the forms of a check', () => {
	it('need readings, a parameter, and a decision', () => {
		const check = { id: ID, parameter: 'alkalinity', run: [ID, OTHER] };
		expect(finishOfForm(form(check), ID, context)).toMatchObject({ value: { runIds: [ID, OTHER] } });
		expect(fieldOf(finishOfForm(form({ ...check, run: [] }), ID, context))).toBe('runIds');
		expect(fieldOf(finishOfForm(form({ ...check, parameter: 'mood' }), ID, context))).toBe('parameter');
		const decide = { id: ID, checkId: OTHER, decision: 'accept', span: 'from-check' };
		expect(decisionOfForm(form(decide), context)).toMatchObject({
			value: { decision: 'accept', span: 'from-check' }
		});
		expect(fieldOf(decisionOfForm(form({ ...decide, span: 'x' }), context))).toBe('span');
		expect(decisionOfForm(form({ ...decide, span: '' }), context)).toMatchObject({ value: { span: 'all' } });
		expect(decisionOfForm(form({ ...decide, retire: 'yes' }), context)).toMatchObject({
			value: { retire: true }
		});
		expect(fieldOf(decisionOfForm(form({ ...decide, decision: 'shrug' }), context))).toBe('decision');
		expect(fieldOf(deriveOfForm(form({ id: 'x' }), ID, context))).toBe('id');
	});
});

describe('the form of a home-made standard', () => {
	const WEIGHED = {
		id: ID,
		name: 'Nitrate stock',
		by: 'weighed',
		salt: 'potassium-nitrate',
		massG: '1,631',
		'massG.half': '0.01',
		volumeMl: '1000',
		'volumeMl.half': '2'
	};
	const stock = new Map([[OTHER, [{ parameter: 'nitrate' as const, value: 1000, u: 5 }]]]);
	const made = (fields: Readonly<Record<string, string>>) =>
		madeStandardOfForm(form(fields), OTHER, stock, now);
	it('reckons the content here, keeps the recipe, and says how long it keeps', () => {
		const read = made(WEIGHED);
		if (!read.ok) throw new Error(read.fault.field);
		const { details, expiresAt, kind } = read.value;
		expect(kind).toBe('standard');
		expect(details.recipe).toMatchObject({
			by: 'weighed',
			salt: 'potassium-nitrate',
			massG: { value: 1.631 }
		});
		expect(details.contents.map((c) => c.parameter)).toEqual(['nitrate', 'potassium']);
		expect(details.contents[0]!.value).toBeCloseTo(1000.2, 0);
		expect((expiresAt! - now) / 86_400_000).toBe(60);
	});
	it('thins what stands on the shelf, and nothing else', () => {
		const thinned = {
			...WEIGHED,
			by: 'diluted',
			stockId: OTHER,
			takenMl: '5',
			'takenMl.half': '0.05',
			volumeMl: '500'
		};
		expect(made(thinned)).toMatchObject({ ok: true });
		const read = made(thinned);
		expect(read.ok && read.value.details.contents[0]!.value).toBeCloseTo(10, 9);
		expect(made({ ...thinned, stockId: ID })).toMatchObject({ fault: { code: 'unknown-item' } });
		expect(made({ ...thinned, takenMl: '600' })).toMatchObject({ fault: { code: 'dilution-impossible' } });
	});
	it('refuses no salt, no mass, letters and no name', () => {
		expect(fieldOf(made({ ...WEIGHED, salt: 'pepper' }))).toBe('salt');
		expect(made({ ...WEIGHED, massG: '' }).ok).toBe(false);
		expect(made({ ...WEIGHED, massG: 'a spoon' }).ok).toBe(false);
		expect(made({ ...WEIGHED, volumeMl: '0' }).ok).toBe(false);
		expect(fieldOf(made({ ...WEIGHED, name: '' }))).toBe('name');
	});
});
