import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MAX_STEPS, parseSteps, SHIPPED_METHODS, textOfStep } from './index.ts';

const actions = (text: string) => parseSteps(text).map((p) => p.step.action);

describe('a protocol as it is jotted down', () => {
	it('is read clause by clause', () => {
		expect(parseSteps('3 drops A; swirl 10 s; wait exactly 4 min').map((p) => p.step)).toMatchObject([
			{ action: { kind: 'drops', count: 3 }, reagent: 'A', say: 'Add 3 drops of A' },
			{ action: { kind: 'swirl', seconds: 10 } },
			{ action: { kind: 'stand', seconds: 240, exactly: true }, say: 'Wait exactly 4 minutes' }
		]);
	});
	it.each([
		['Add two drops of the indicator', { kind: 'drops', count: 2 }],
		['1 level scoop powder B', { kind: 'scoops', count: 1 }],
		['a small spoon of C', { kind: 'scoops', count: 1 }],
		['0,8 ml precipitant', { kind: 'measure', ml: 0.8 }],
		['draw 5 mL of tank water', { kind: 'draw', ml: 5 }],
		['cap and shake hard for 40 sec', { kind: 'shake', seconds: 40 }],
		['mix for one minute', { kind: 'swirl', seconds: 60 }],
		['invert 6 times', { kind: 'invert', times: 6 }],
		['wait 3 to 5 min', { kind: 'stand', seconds: 180, upToSeconds: 300 }],
		['wait 5-3 min', { kind: 'stand', seconds: 180, upToSeconds: 300 }],
		['leave it for 20 seconds, unmixed', { kind: 'stand', seconds: 20 }],
		['let stand about 2 minutes', { kind: 'stand', seconds: 120 }],
		['filter about 9 min', { kind: 'filter', seconds: 540, longestSeconds: 720 }],
		['set the zero', { kind: 'blank' }],
		['rinse with sample', { kind: 'prepare' }],
		['fill the syringe with titrant C', { kind: 'fill' }],
		['titrate with C until blue', { kind: 'titrate' }],
		['drops of acid until yellow', { kind: 'titrate' }],
		['read against the card', { kind: 'read' }]
	])('%s', (text, action) => {
		const [parsed] = parseSteps(text);
		expect(parsed).toMatchObject({ understood: true, step: { action } });
	});
	it.each([
		['add acid B drop by drop until yellow', 'acid B'],
		['Add A drop by drop, shaking after each, until red turns green', 'A'],
		['titrate with C until blue', 'C'],
		['titrate until the colour turns', undefined]
	])('finds the titrant in "%s"', (text, reagent) => {
		const [parsed] = parseSteps(text);
		expect(parsed?.step.action.kind).toBe('titrate');
		expect(parsed?.step.reagent).toBe(reagent);
	});
	it('takes no half of a clause for the whole', () => {
		const text = 'Add 0.6 mL of C in one go, then drop by drop until blue';
		expect(parseSteps(text)).toMatchObject([{ understood: false, text, step: { say: text } }]);
	});
	it('takes lines, numbering and bullets', () => {
		expect(actions('1. 3 drops A\n2) swirl 5 s\n- wait 1 min')).toMatchObject([
			{ kind: 'drops' },
			{ kind: 'swirl' },
			{ kind: 'stand' }
		]);
	});
	it('keeps what it does not understand in its own words', () => {
		expect(parseSteps('sing to the vial')).toMatchObject([
			{ understood: false, step: { say: 'Sing to the vial', action: { kind: 'do' } } }
		]);
		expect(parseSteps('4000 drops A')[0]).toMatchObject({ understood: false, step: { say: '4000 drops A' } });
	});
	it('never fails, and never loses a clause, whatever is typed', () => {
		fc.assert(
			fc.property(fc.array(fc.string({ maxLength: 40 }), { maxLength: 20 }), (parts) => {
				const clauses = parts.map((p) => p.replace(/[;\n.]/g, ' ').trim()).filter((p) => /\w{3}/.test(p));
				expect(parseSteps(clauses.join('; ')).length).toBe(clauses.length);
			})
		);
		expect(parseSteps('x;'.repeat(5000)).length).toBe(MAX_STEPS);
	});
	it('comes back from its own text', () => {
		for (const method of SHIPPED_METHODS) {
			for (const { id: _id, ...step } of method.steps) {
				if (['do', 'prepare', 'draw', 'read', 'titrate'].includes(step.action.kind)) continue;
				const [parsed] = parseSteps(textOfStep(step));
				expect(parsed?.step.action, textOfStep(step)).toMatchObject({ kind: step.action.kind });
				if ('seconds' in step.action)
					expect(parsed?.step.action).toMatchObject({ seconds: step.action.seconds });
				if ('count' in step.action) expect(parsed?.step.action).toMatchObject({ count: step.action.count });
			}
		}
	});
});
