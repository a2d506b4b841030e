import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_SYRINGE,
	CA_MG_PAIR,
	checkMethod,
	NO3_CARD,
	SHIPPED_METHODS,
	type Method
} from '$lib/core/method';
import { checkSaveMethod, methodOfFile } from './method';

const text = (method: unknown) => JSON.stringify({ format: 'tevrik-method', formatVersion: 1, method });
const faultOf = (body: string) => {
	const read = methodOfFile(body);
	return read.ok ? null : [read.fault.code, read.fault.field];
};

describe('a method file', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))(
		'of %s goes out and comes in unchanged',
		(_c, method) => {
			expect(methodOfFile(text(method))).toEqual({ ok: true, value: method });
		}
	);
	const changed = (path: string, value: unknown) => {
		const copy = structuredClone(ALK_SYRINGE) as unknown as Record<string, unknown>;
		const keys = path.split('.');
		let at = copy;
		for (const key of keys.slice(0, -1)) at = at[key] as Record<string, unknown>;
		at[keys.at(-1)!] = value;
		return text(copy);
	};
	it.each([
		['kind', 'guess', 'method.kind'],
		['sampleMl.full', -6, 'method.sampleMl'],
		['steps.2.action.count', 0, 'method.steps.2.action.count'],
		['steps.2.action.kind', 'dance', 'method.steps.2.action.kind'],
		['titration.worth.molPerL', 'much', 'method.titration.worth'],
		['reagents.0.hazards', ['boredom'], 'method.reagents.0.hazards.0'],
		['moon', 1, 'method.moon'],
		['titration.parameter', 'nitrate', 'method.titration.parameter'],
		['titration.meter.graduationMl', 0.03, 'method.titration.meter.graduationMl'],
		['sampleMl', null, 'method.sampleMl'],
		['steps', [], 'method.steps']
	])('with %s %j is refused at %s', (path, value, field) => {
		const [, at] = faultOf(changed(path, value))!;
		expect(at).toMatch(new RegExp(`^${field}`));
	});
	it('that is none is refused whatever it is', () => {
		fc.assert(
			fc.property(fc.oneof(fc.string(), fc.json()), (body) => {
				expect(methodOfFile(body).ok).toBe(false);
			})
		);
		expect(faultOf(' '.repeat(300_000))).toEqual(['too-large', 'file']);
		expect(checkSaveMethod({ method: NO3_CARD }).ok).toBe(false);
	});
});

describe('parts that do not fit together', () => {
	const code = (method: Method) => {
		const checked = checkMethod(method);
		return checked.ok ? null : checked.fault.code;
	};
	const [a, b] = NO3_CARD.colourSteps;
	it.each<[string, Method]>([
		['steps-not-rising', { ...NO3_CARD, colourSteps: [b!, a!] }],
		['unit-unknown', { ...NO3_CARD, unit: 'dkh' }],
		['no-reading-step', { ...NO3_CARD, steps: NO3_CARD.steps.slice(0, -1) }],
		['reading-not-last', { ...NO3_CARD, steps: [NO3_CARD.steps.at(-1)!, ...NO3_CARD.steps.slice(0, -1)] }],
		['steps-alike', { ...NO3_CARD, steps: [NO3_CARD.steps[0]!, ...NO3_CARD.steps] }],
		['meter-differs', { ...ALK_SYRINGE, kind: 'drop-titration' }],
		['no-reading-step', { ...CA_MG_PAIR, steps: ALK_SYRINGE.steps }],
		[
			'chart-duplicate',
			{
				...ALK_SYRINGE,
				titration: {
					...ALK_SYRINGE.titration,
					worth: {
						by: 'table',
						unit: 'dkh',
						reads: 'used',
						points: [
							[0, 1],
							[0, 2]
						],
						printedStep: 1
					}
				}
			}
		]
	])('are told: %s', (expected, method) => expect(code(method)).toBe(expected));
});
