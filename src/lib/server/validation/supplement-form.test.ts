import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { supplementOfForm } from './supplement-form';

const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Record<
	ParameterId,
	UnitId
>;
const ID = '01a21d63-8a1c-7850-a3d6-2ce827179ca5';
function sent(fields: Record<string, string>, own = units) {
	const form = new FormData();
	for (const [name, value] of Object.entries({ id: ID, name: 'My drops', ...fields })) form.set(name, value);
	return supplementOfForm(form, { waterId: ID, units: own });
}
const what = (fields: Record<string, string>, own = units) => {
	const outcome = sent(fields, own);
	return outcome.ok ? outcome.value.details.what : outcome.fault;
};

describe('a product', () => {
	it('is as strong as its label says, in the unit that the person chose', () => {
		expect(what({ kind: 'product', 'strength.alkalinity': '0.14' })).toMatchObject({
			kind: 'product',
			unit: 'ml',
			from: 'label',
			strength: [{ parameter: 'alkalinity', risePer100L: 0.14 }]
		});
		const inMeq = what(
			{ kind: 'product', 'strength.alkalinity': '0,05' },
			{ ...units, alkalinity: 'meq-per-l' as UnitId }
		);
		expect(inMeq).toMatchObject({ strength: [{ risePer100L: expect.closeTo(0.1402, 3) as number }] });
	});
	it('by a trial is as strong as the readings show, and as uncertain', () => {
		const trial = {
			kind: 'product',
			from: 'trial',
			'trial.parameter': 'calcium',
			'trial.amount': '50',
			'trial.volume': '20',
			'trial.before': '400',
			'trial.after': '450',
			'trial.u': '10'
		};
		expect(what(trial)).toMatchObject({
			from: 'trial',
			strength: [{ parameter: 'calcium', risePer100L: expect.closeTo(0.2, 9) as number }],
			relativeU: expect.closeTo(0.1418, 3) as number
		});
		expect(what({ ...trial, 'trial.after': '405' })).toMatchObject({ code: 'invalid-field', field: 'trial' });
		expect(what({ ...trial, 'trial.volume': '' })).toMatchObject({ code: 'invalid-field', field: 'trial' });
		expect(what({ ...trial, 'trial.amount': 'much' })).toMatchObject({
			code: 'invalid-field',
			field: 'trial'
		});
	});
	it.each([
		[{ kind: 'product' }, 'invalid-field', 'strength.alkalinity'],
		[{ kind: 'product', 'strength.calcium': 'lots' }, 'not-a-number', 'strength.calcium'],
		[{ kind: 'product', 'strength.calcium': '-4' }, 'not-a-number', 'strength.calcium'],
		[{ kind: 'product', 'strength.calcium': '4', name: '' }, 'invalid-field', 'name']
	])('%# is refused by its field', (fields, code, field) => {
		const outcome = sent(fields);
		expect(outcome).toMatchObject({ ok: false, fault: { code, field } });
	});
});

describe('what is mixed, weighed or dosed by a table', () => {
	it('is read whole', () => {
		expect(
			what({
				kind: 'solution',
				'part.0.compound': 'MgCl2.6H2O',
				'part.0.gramsPerL': '300',
				'part.1.compound': 'MgSO4.7H2O',
				'part.1.gramsPerL': '38'
			})
		).toMatchObject({ kind: 'solution', parts: [{ gramsPerL: 300 }, { gramsPerL: 38 }] });
		expect(what({ kind: 'salt', compound: 'KCl', purity: '99' })).toEqual({
			kind: 'salt',
			compound: 'KCl',
			purity: 0.99
		});
		expect(what({ kind: 'table', parameter: 'nitrate', rows: '2 1\n\n10; 3\n50 5,5' })).toMatchObject({
			kind: 'table',
			rows: [
				{ reading: 2, amountPer100L: 1 },
				{ reading: 10, amountPer100L: 3 },
				{ reading: 50, amountPer100L: 5.5 }
			]
		});
	});
	it.each([
		[{ kind: 'salt', compound: 'KCl', purity: '12' }, 'purity'],
		[{ kind: 'salt', compound: 'sand', purity: '99' }, 'details.what'],
		[{ kind: 'solution', 'part.0.compound': 'KCl', 'part.0.gramsPerL': 'a spoon' }, 'gramsPerL'],
		[{ kind: 'table', parameter: 'nitrate', rows: '2 1 9' }, 'rows'],
		[{ kind: 'table', parameter: 'nitrate', rows: '' }, 'rows']
	])('%# is refused by its field', (fields, field) => {
		const outcome = sent(fields);
		expect(outcome.ok).toBe(false);
		expect(!outcome.ok && outcome.fault.field).toContain(field);
	});
});
