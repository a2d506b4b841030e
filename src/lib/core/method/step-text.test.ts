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
		['rinse with sample', { kind: 'prepare', handsS: 40 }],
		['rinse both vials', { kind: 'prepare', handsS: 40 }],
		['Rinse the marked vial with the water', { kind: 'prepare', handsS: 40 }],
		['fill the syringe with titrant C', { kind: 'fill' }],
		['titrate with C until blue', { kind: 'titrate' }],
		['drops of acid until yellow', { kind: 'titrate' }],
		['read against the card', { kind: 'read' }]
	])('%s', (text, action) => {
		const [parsed] = parseSteps(text);
		expect(parsed).toMatchObject({ understood: true, step: { action } });
	});
	it.each<[string, object]>([
		[
			'shake A 30 s',
			{ action: { kind: 'shake', seconds: 30 }, reagent: 'A', say: 'Shake bottle A for 30 seconds' }
		],
		['swirl bottle C gently for 10 s', { action: { kind: 'swirl', seconds: 10 }, reagent: 'C' }],
		['shake the vial for 20 s', { action: { kind: 'shake' }, say: 'Shake for 20 seconds' }],
		['swirl gently 10 s', { action: { kind: 'swirl', seconds: 10 }, say: 'Swirl for 10 seconds' }],
		['stir with the glass rod for 20 seconds', { action: { kind: 'stir', seconds: 20 } }],
		['invert the closed tube 6 times', { action: { kind: 'invert', times: 6 } }],
		[
			'invert bottle B 3 times',
			{ action: { kind: 'invert' }, reagent: 'B', say: 'Turn bottle B over 3 times' }
		],
		[
			'6 drops B, shaking after each',
			{
				action: { kind: 'drops', count: 6, mixing: 'shake', handsS: 30 },
				reagent: 'B',
				say: 'Add 6 drops of B, shaking after each'
			}
		],
		[
			'add 8 drops of A all at once',
			{ action: { kind: 'drops', pace: 'at-once' }, say: 'Add 8 drops of A, all at once' }
		],
		['3 drops D slowly', { action: { pace: 'slowly' }, reagent: 'D' }],
		[
			'2 drops C into the second vial',
			{ vial: 'second', reagent: 'C', say: 'Add 2 drops of C into the second vial' }
		],
		['rinse the filter cup', { action: { kind: 'prepare', of: 'filter cup' }, say: 'Rinse the filter cup' }],
		['assemble the filter cup', { action: { kind: 'prepare', of: 'filter cup' } }],
		['fill the tube to the line', { action: { kind: 'draw', by: 'line' } }],
		['fill the vial up to the 10 mL mark', { action: { kind: 'draw', by: 'line', ml: 10 } }],
		['0.2 mL of B with the tip’s mark', { action: { kind: 'measure', by: 'tip', ml: 0.2 }, reagent: 'B' }],
		["add C to the tip's mark", { action: { kind: 'measure', by: 'tip' }, reagent: 'C' }]
	])('knows what is meant by "%s", and reads its own text back', (text, step) => {
		const [parsed, more] = parseSteps(text);
		expect(more).toBeUndefined();
		expect(parsed).toMatchObject({ understood: true, step });
		const [again] = parseSteps(textOfStep(parsed!.step));
		expect(again?.step).toMatchObject({ action: parsed!.step.action });
		expect(again?.step.reagent).toBe(parsed!.step.reagent);
		expect(again?.step.vial).toBe(parsed!.step.vial);
	});
	it('joins what is said of the drops before, and names a bottle by its drops', () => {
		expect(parseSteps('6 drops B; shake after each drop; wait 2 min')).toMatchObject([
			{ step: { action: { kind: 'drops', count: 6, mixing: 'shake' }, reagent: 'B' } },
			{ step: { action: { kind: 'stand' } } }
		]);
		expect(parseSteps('shake the bottle 20 s; 5 drops of Z')).toMatchObject([
			{ step: { action: { kind: 'shake' }, reagent: 'Z', say: 'Shake bottle Z for 20 seconds' } },
			{ step: { reagent: 'Z' } }
		]);
		const [lone] = parseSteps('shake the bottle 20 s');
		expect(lone?.step).toMatchObject({ say: 'Shake the bottle 20 s', action: { kind: 'shake' } });
		expect(lone?.step.reagent).toBeUndefined();
	});
	it.each([
		['read at once', 'read'],
		['fill the syringe with B slowly', 'fill'],
		['rinse the vials quickly', 'prepare']
	])('still knows "%s", whose manner needs no telling', (text, kind) =>
		expect(parseSteps(text)).toMatchObject([{ understood: true, step: { action: { kind } } }])
	);
	it.each(['do not shake', 'never stir 10 s', 'wait, shaking after each'])(
		'does not take "%s" for its contrary',
		(text) => expect(parseSteps(text)).toMatchObject([{ understood: false, text }])
	);
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
