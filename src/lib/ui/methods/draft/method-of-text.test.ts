import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CA_SYRINGE, checkMethod, SHIPPED_METHODS, type Method } from '$lib/core/method';
import { derive, pointOf } from '$lib/core/reading';
import { methodOfText } from './method-of-text';
import { emptyMethod, isEnteredKind, type MethodText } from './method-text';
import { parseTable } from './pasted-table';
import { textOfMethod } from './text-of-method';

const built = (text: MethodText): Method => {
	const made = methodOfText(text);
	if (!made.ok) throw new Error(JSON.stringify(made.fault));
	expect(checkMethod(made.value)).toMatchObject({ ok: true });
	return made.value;
};
const faultOf = (text: MethodText) => {
	const made = methodOfText(text);
	return made.ok ? null : made.fault.field;
};
const syringe: MethodText = {
	...emptyMethod('syringe-titration', 'calcium'),
	name: 'A kit',
	factor: '500',
	readAs: 'used',
	steps: '5 drops A; swirl 10 s; titrate with B until blue'
};
const valueOf = (method: Method, usedMl: number) => {
	const end = { lowerMl: usedMl, upperMl: usedMl };
	const derived = derive(method, {
		form: 'syringe',
		portion: 'full',
		readAs: 'used',
		fills: [{ startMl: 1, end }],
		sure: true
	});
	return derived.ok ? pointOf(derived.value.outcomes[0].result)!.value : Number.NaN;
};

describe('a pasted table', () => {
	it('is read however its columns are parted', () => {
		for (const text of [
			'0.1\t5\n0.2\t10',
			'0,1; 5\n0,2; 10',
			'mL | mg\n0.1 | 5\n0.2 | 10\n',
			'0.1  5\r\n0.2  10'
		]) {
			expect(parseTable(text)).toEqual({
				ok: true,
				value: [
					[0.1, 5],
					[0.2, 10]
				]
			});
		}
	});
	it('says which line is none, and never fails otherwise', () => {
		expect(parseTable('0.1 5\n0.2 10 15')).toMatchObject({
			fault: { code: 'table-row', details: { row: 2 } }
		});
		expect(parseTable('0.1 5')).toMatchObject({ fault: { code: 'chart-too-short' } });
		expect(parseTable('1 2\n'.repeat(50_000))).toMatchObject({ fault: { code: 'too-large' } });
		fc.assert(fc.property(fc.string(), (text) => void parseTable(text)));
	});
});

describe('a kit as it is typed', () => {
	it('by a factor, two points, a table or a concentration gives the same where they say the same', () => {
		const perMl = (worth: Partial<MethodText>) => valueOf(built({ ...syringe, ...worth }), 0.6);
		const expected = 500 * (0.6 - 0.0075);
		expect(perMl({})).toBeCloseTo(expected, 8);
		expect(perMl({ worthBy: 'points', points: '0 0\n1 500' })).toBeCloseTo(expected, 8);
		expect(perMl({ worthBy: 'table', table: '0 0\n0,5 250\n1 500' })).toBeCloseTo(expected, 8);
		expect(perMl({ worthBy: 'table', tableReads: 'left', table: '0 500\n0,5 250\n1 0' })).toBeCloseTo(
			expected,
			8
		);
		// 500 mg/L of calcium per mL in 5 mL is 0.0623783 mol/L.
		expect(perMl({ worthBy: 'titrant', molPerL: String(500 / 40.078 / 200) })).toBeCloseTo(expected, 6);
	});
	it('is a card with its steps, a display with its accuracy', () => {
		const card = built({
			...emptyMethod('colour-card', 'nitrate'),
			name: 'A card',
			dilutions: '5 1:10',
			steps: 'shake 20 s; wait exactly 5 min',
			colours: [
				{ value: '0', name: 'pale', css: '#ffffff' },
				{ value: '5', name: 'rose', css: '#ff8888' },
				{ value: '20', name: 'red', css: '#cc0000' }
			]
		});
		expect(card).toMatchObject({ spacing: 'log', dilutions: [5, 10], blank: false });
		expect(card.steps.at(-1)!.action.kind).toBe('read');
		const display = {
			...emptyMethod('display', 'phosphate'),
			name: 'A meter',
			rangeHigh: '2,5',
			accuracyPercent: '4',
			resolution: '0.01'
		};
		expect(built(display)).toMatchObject({ accuracy: { absolute: 0, relative: 0.04 }, range: { high: 2.5 } });
	});
	it.each<[string, Partial<MethodText>]>([
		['name', { name: ' ' }],
		['factor', { factor: '' }],
		['factor', { factor: 'NaN' }],
		['fullMl', { fullMl: '-1' }],
		['fullMl', { fullMl: 'x' }],
		['halfMl', { halfMl: '9' }],
		['graduationMl', { graduationMl: '0' }],
		['table', { worthBy: 'table', table: 'words' }],
		['points', { worthBy: 'points', points: '1 2 3\n4 5' }],
		['molPerL', { worthBy: 'titrant', molPerL: '0' }],
		['dilutions', { dilutions: '0.5' }],
		['tests', { tests: '2.5' }]
	])('is refused at %s', (field, change) => expect(faultOf({ ...syringe, ...change })).toBe(field));
	const entered = SHIPPED_METHODS.filter((m) => isEnteredKind(m.kind)).map((m) => [m.code, m] as const);
	it.each(entered)('duplicated from %s and not touched is the same method', (_code, method) => {
		expect(methodOfText(textOfMethod(method)!, method)).toEqual({
			ok: true,
			value: { ...method, code: 'own', version: 1 }
		});
	});
	it.each(entered)('typed anew from the text of %s gives the same arithmetic', (_code, method) => {
		const again = built(textOfMethod(method)!);
		expect(again.steps.map((s) => s.action.kind)).toEqual(
			expect.arrayContaining(method.steps.flatMap((s) => (s.action.kind === 'drops' ? ['drops'] : [])))
		);
		if (method.kind === 'syringe-titration') expect(valueOf(again, 0.6)).toBeCloseTo(valueOf(method, 0.6), 8);
		if (method.kind === 'colour-card' || method.kind === 'comparator') {
			expect(again).toMatchObject({ colourSteps: method.colourSteps, spacing: method.spacing });
		}
	});
	it('changed in one thing keeps all others of the kit it was duplicated from', () => {
		const text = textOfMethod(CA_SYRINGE)!;
		const made = methodOfText({ ...text, steps: text.steps.replace('; ', '; sing to it; ') }, CA_SYRINGE);
		if (!made.ok) throw new Error(JSON.stringify(made.fault));
		const { value } = made;
		expect(value.steps.map((s) => s.say)).toEqual([
			CA_SYRINGE.steps[0]!.say,
			'Sing to it',
			...CA_SYRINGE.steps.slice(1).map((s) => s.say)
		]);
		expect(new Set(value.steps.map((s) => s.id)).size).toBe(value.steps.length);
		expect(value).toMatchObject({
			reagents: CA_SYRINGE.reagents,
			pack: CA_SYRINGE.pack,
			titration: CA_SYRINGE.titration
		});
		const [gone, ...left] = text.hazards;
		const ticked = methodOfText({ ...text, hazards: [...left, 'flammable'] }, CA_SYRINGE);
		expect(ticked.ok && ticked.value.reagents.map((r) => r.hazards)).toEqual(
			CA_SYRINGE.reagents.map((r) => [...r.hazards.filter((h) => h !== gone), 'flammable'])
		);
	});
	it('rinses before it draws, and puts in only what is missing', () => {
		const kinds = (steps: string) => built({ ...syringe, steps }).steps.map((s) => s.action.kind);
		expect(kinds('5 drops A')).toEqual(['prepare', 'draw', 'drops', 'titrate']);
		expect(kinds('rinse the vial; 5 drops A')).toEqual(['prepare', 'draw', 'drops', 'titrate']);
		expect(kinds('draw the sample; titrate until blue')).toEqual(['draw', 'titrate']);
	});
	it('may be a display that needs no measured sample', () => {
		const probe = { ...emptyMethod('display', 'salinity'), name: 'A probe', fullMl: '', rangeHigh: '50' };
		const made = built({ ...probe, resolution: '0.1', accuracyAbsolute: '0,7' });
		expect(made.sampleMl).toBeNull();
		expect(made.steps.map((s) => s.action.kind)).toEqual(['read']);
		expect(faultOf({ ...probe, accuracyAbsolute: '', accuracyPercent: '' })).toBe('accuracyAbsolute');
		expect(faultOf({ ...probe, accuracyAbsolute: 'x' })).toBe('accuracyAbsolute');
		expect(faultOf({ ...probe, accuracyPercent: '-1' })).toBe('accuracyPercent');
	});
});
