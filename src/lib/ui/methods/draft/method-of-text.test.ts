import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CA_SYRINGE, checkMethod, SHIPPED_METHODS, stepsFor, type Method } from '$lib/core/method';
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
		['tests', { tests: '2.5' }],
		['openedMonths', { openedMonths: '-3' }],
		['limitHigh', { limitHigh: 'many' }],
		['headStartMl', { headStartMl: '-1' }],
		['strengthPercent', { strengthPercent: '80' }],
		['excessMl', { kind: 'back-titration', worthBy: 'excess', molPerL: '0.02', excessMolPerL: '0.1' }],
		[
			'filtrateTakenMl',
			{
				kind: 'back-titration',
				worthBy: 'excess',
				molPerL: '0.02',
				excessMolPerL: '0.1',
				excessMl: '1',
				filtrateOfMl: '3',
				filtrateTakenMl: '4'
			}
		],
		['second.factor', { kind: 'paired-titration' }],
		['loadMl', { kind: 'drop-titration', loadMl: 'x' }],
		['scaleTolerance', { kind: 'float', scaleTolerance: '0' }],
		['rangeHigh', { kind: 'thermometer', accuracyAbsolute: '0.2', rangeHigh: 'hot' }]
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

describe('what only some leaflets have', () => {
	const drawn = (kind: MethodText['kind'], parameter: MethodText['parameter']) => ({
		...emptyMethod(kind, parameter),
		name: 'A kit'
	});
	const textBy = (steps: string) => ({ ...syringe, halfMl: '2.5', steps });
	it('gives half the sample its own counts, volumes and end of the spoon', () => {
		const method = built(
			textBy(
				'6 drops A (half sample: 3), shaking after each; 1 large scoop P (half sample: 1 small); add 0.5 mL of R (half sample: 0.25 mL); 2 drops I'
			)
		);
		const said = (portion: 'full' | 'half') => stepsFor(method, portion).map((s) => s.say);
		expect(said('full')).toEqual(
			expect.arrayContaining([
				'Add 6 drops of A, shaking after each',
				'Add 1 large level scoop of P',
				'Add 0.5 mL of R with its own syringe',
				'Add 2 drops of I'
			])
		);
		expect(said('half')).toEqual(
			expect.arrayContaining([
				'Add 3 drops of A, shaking after each',
				'Add 1 small level scoop of P',
				'Add 0.25 mL of R with its own syringe',
				'Add 2 drops of I'
			])
		);
		expect(stepsFor(method, 'half').find((s) => s.reagent === 'A')?.action).toMatchObject({ count: 3 });
		// What is read back from its own text is the same.
		expect(methodOfText(textOfMethod(method)!, method)).toMatchObject({ value: { steps: method.steps } });
	});
	it('counts no more drops than were loaded', () => {
		const method = built({ ...drawn('drop-titration', 'calcium'), factor: '10', loadMl: '1' });
		const counted = (least: number, loads?: number) =>
			derive(method, {
				form: 'drops',
				portion: 'full',
				least,
				most: least,
				bad: 0,
				...(loads ? { loads } : {})
			});
		// 25 drops of 0.04 mL are 1 mL; 3 % smaller ones are 25.8, and the last may be begun.
		expect(counted(26)).toMatchObject({ ok: true });
		expect(counted(27)).toMatchObject({ fault: { code: 'beyond-load', details: { loadMl: 1 } } });
		expect(counted(27, 2)).toMatchObject({ ok: true });
	});
	it('titrates an excess back, in a part of the filtrate', () => {
		const text: MethodText = {
			...drawn('back-titration', 'potassium'),
			readAs: 'used',
			molPerL: '0.02',
			excessMolPerL: '0.1',
			excessMl: '0.8',
			filtrateOfMl: '6',
			filtrateTakenMl: '3',
			steps: 'add 0.8 mL of B; swirl 40 s; filter 9 min; titrate with D until violet'
		};
		const method = built(text);
		expect(method.steps.map((s) => s.say).slice(0, 2)).toEqual([
			'Assemble the filter cup',
			expect.anything()
		]);
		// (0.1·0.8 − 0.02·(0.7425)·2) mmol of potassium in 5 mL, 39.098 mg to the mmol.
		expect(valueOf(method, 0.75)).toBeCloseTo(((0.08 - 0.02 * 0.7425 * 2) / 5) * 39.0983 * 1000, 1);
	});
	it('titrates twice in one vial, and tells the first from the second', () => {
		const pair: MethodText = {
			...drawn('paired-titration', 'calcium'),
			factor: '500',
			readAs: 'used',
			second: { ...emptyMethod('syringe-titration', 'magnesium').second, readAs: 'used', factor: '1500' },
			steps: '5 drops A; titrate with B until yellow; 2 drops C; titrate with D until green'
		};
		const method = built(pair);
		expect(
			method.steps.flatMap((s) => (s.action.kind === 'titrate' ? [s.action.titration ?? 0] : []))
		).toEqual([0, 1]);
		const marks = (used: number) => ({
			readAs: 'used' as const,
			fills: [{ startMl: 1, end: { lowerMl: used, upperMl: used } }],
			sure: true
		});
		const derived = derive(method, { form: 'pair', portion: 'full', first: marks(0.8), second: marks(0.9) });
		if (!derived.ok) throw new Error(derived.fault.code);
		expect(derived.value.outcomes.map((o) => Math.round(pointOf(o.result)!.value))).toEqual([396, 1339]);
	});
	it('puts the disc in first, and says which form of phosphate is found', () => {
		const colours = syringe.colours.map((c, i) => ({ ...c, value: String(i) }));
		const method = built({
			...drawn('comparator', 'phosphate'),
			colours,
			hasDisc: true,
			species: 'total phosphate, organic included',
			equipment: 'comparator\n\n disc for phosphate \n',
			unit: 'ug-per-l-p'
		});
		expect(method.steps[0]).toMatchObject({ action: { kind: 'prepare', doing: 'assemble' } });
		expect(method).toMatchObject({
			species: 'total phosphate, organic included',
			equipment: ['comparator', 'disc for phosphate'],
			unit: 'ug-per-l-p'
		});
	});
});
