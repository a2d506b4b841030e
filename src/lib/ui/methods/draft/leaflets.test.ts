import { describe, expect, it } from 'vitest';
import { admit, endsByItself, progressOf, withWhatFollows, type BenchEntry } from '$lib/core/bench';
import { checkMethod, stepsFor, type Method } from '$lib/core/method';
import { addSeconds, instant } from '$lib/core/time';
import { methodOfText } from './method-of-text';
import { emptyMethod, type MethodText } from './method-text';

/** Invented leaflets, typed in as they stand on paper, with what is awkward in each. */
const LEAFLETS: readonly (readonly [what: string, text: MethodText, asks: readonly string[]])[] = [
	[
		'a suspension, mixed after each drop',
		{
			...emptyMethod('syringe-titration', 'calcium'),
			name: 'Harbour calcium',
			factor: '500',
			steps: `1. Rinse the vial with the water to be tested.
2. Fill the vial to the 5 mL line.
3. Shake bottle A vigorously for 20 seconds.
4. Add 8 drops of A, all at once.
5. Swirl gently for 15 seconds.
6. 4 drops B, shaking after each.
7. Titrate with C until blue.`
		},
		[
			'Rinse the vial with the water to be tested',
			'Fill the vial with the sample to the 5 mL line',
			'Shake bottle A for 20 seconds',
			'Add 8 drops of A, all at once',
			'Swirl for 15 seconds',
			'Add 4 drops of B, shaking after each',
			'Titrate with C until blue'
		]
	],
	[
		'two vials, a filter and a rod',
		{
			...emptyMethod('syringe-titration', 'potassium'),
			name: 'Quay potassium',
			factor: '400',
			steps: `assemble the filter cup; draw 10 mL of tank water; 1 level scoop P; stir with the glass rod for 40 s;
wait 3 to 5 min; filter about 6 min; 2 drops K into the second vial; invert bottle R 3 times; add R to the tip's mark;
titrate with T until rose`
		},
		[
			'Assemble the filter cup',
			'Add 2 drops of K into the second vial',
			'Turn bottle R over 3 times',
			'Add R up to the mark on its tip'
		]
	],
	[
		'a card that is read to the second',
		{
			...emptyMethod('colour-card', 'nitrate'),
			name: 'Lamp nitrate',
			colours: [
				{ value: '0', name: 'clear', css: '#ffffff' },
				{ value: '10', name: 'rose', css: '#ff8888' },
				{ value: '50', name: 'red', css: '#cc0000' }
			],
			steps: `Fill the tube with the sample up to the line\n6 drops N1; swirl the tube 10 s\n2 level scoops N2\nCap and shake hard for 60 s\nwait exactly 5 min\nread from above`
		},
		['Add 2 level scoops of N2', 'Shake for 1 minute', 'Wait exactly 5 minutes', 'Read from above']
	],
	[
		'drops of a thick reagent, slowly',
		{
			...emptyMethod('drop-titration', 'alkalinity'),
			name: 'Slow alkalinity',
			factor: '0.5',
			steps:
				'3 drops I slowly; shake the bottle 10 s; 2 drops of J; shake after each drop; add K drop by drop until yellow'
		},
		['Add 3 drops of I, slowly', 'Shake bottle J for 10 seconds', 'Add 2 drops of J, shaking after each']
	],
	[
		'a cuvette with its blank',
		{
			...emptyMethod('display', 'phosphate'),
			name: 'Window phosphate',
			rangeHigh: '2.5',
			resolution: '0.01',
			accuracyPercent: '4',
			steps:
				'Rinse the cuvette lid; fill the cuvette to its line; set the zero; 0.2 mL of M with the tip’s mark; invert the closed cuvette 8 times; wait exactly 3 min; read the display'
		},
		['Rinse the cuvette lid', 'Add M up to the mark on its tip, 0.2 mL', 'Turn the capped vial over 8 times']
	]
];

const built = (text: MethodText): Method => {
	const made = methodOfText(text);
	if (!made.ok) throw new Error(JSON.stringify(made.fault));
	const checked = checkMethod(made.value);
	if (!checked.ok) throw new Error(JSON.stringify(checked.fault));
	return made.value;
};

describe.each(LEAFLETS)('a leaflet as it stands on paper: %s', (_what, text, asks) => {
	const method = built(text);
	const steps = stepsFor(method, 'full');
	it('is understood to its last word', () => {
		expect(steps.filter((s) => s.action.kind === 'do').map((s) => s.say)).toEqual([]);
		expect(steps.map((s) => s.say)).toEqual(expect.arrayContaining([...asks]));
	});
	it('runs from its first step to its last, and nothing in it is a deviation', () => {
		let log: readonly BenchEntry[] = [];
		let at = instant(1_700_000_000_000);
		for (let presses = 0; presses < 200; presses++) {
			const progress = progressOf(steps, log);
			const { step, timer } = progress;
			if (!step) break;
			if (timer) at = timer.dueAt;
			const timed = 'seconds' in step.action;
			const kind =
				step.action.kind === 'drops' && progress.drops < step.action.count
					? 'drop'
					: timed && !timer
						? 'timer-started'
						: 'step-done';
			at = addSeconds(at, endsByItself(progress, at) ? 0 : 1);
			const outcome = admit(steps, log, { at, kind });
			if (!outcome.ok) throw new Error(`${step.say}: ${outcome.fault.code}`);
			log = withWhatFollows(steps, outcome.value, at);
		}
		expect(progressOf(steps, log)).toMatchObject({ step: null, deviations: [] });
	});
});
