import type { SyringeMethod } from '../syringe-method.ts';
import { RINSE_AND_DRAW, fillStep } from './syringe-steps.ts';
import { HANDS_S, titrationSeconds } from './times.ts';

const TIP_DROP_ML = 0.015;

/** Alkalinity with acid from a syringe; 1 mL is worth 5.00 meq/L, twice that with half the sample. */
export const ALK_SYRINGE: SyringeMethod = {
	kind: 'syringe-titration',
	code: 'alk-syringe',
	version: 1,
	name: 'Alkalinity by syringe',
	parameter: 'alkalinity',
	sampleMl: { full: 6, half: 3 },
	titrant: { reagent: 'the acid', molPerL: 0.03, relativeTolerance: 0.01 },
	syringe: { capacityMl: 1, graduationMl: 0.01, readAs: 'left', tipDropMl: TIP_DROP_ML },
	sampleRelativeTolerance: 0.01,
	endPointUMl: TIP_DROP_ML,
	colours: {
		start: { name: 'green', css: '#3f9a6a' },
		passing: { name: 'grey violet', css: '#84748c' },
		end: { name: 'wine red', css: '#a3264f' }
	},
	reagents: [
		{ label: 'A', what: 'indicator, in alcohol', hazards: ['flammable'] },
		{ label: 'B', what: 'dilute acid', hazards: ['acid'] }
	],
	steps: [
		...RINSE_AND_DRAW,
		{
			id: 'indicator',
			reagent: 'A',
			action: { kind: 'drops', count: 3, handsS: 3 * HANDS_S.countedDrop },
			say: 'Add 3 drops of indicator A',
			detail: 'Hold the bottle straight upside down. Count full drops only.',
			why: 'A tilted bottle gives drops of another size. The indicator shows when the acid has used up the alkalinity; it is not measured itself.'
		},
		{
			id: 'swirl',
			action: { kind: 'swirl', seconds: 10 },
			say: 'Swirl for 10 seconds',
			detail: 'The whole vial is evenly green.',
			why: 'Streaks would turn early, where the acid meets them first.',
			expect: { name: 'green', css: '#3f9a6a' }
		},
		fillStep('acid B', 'B'),
		{
			id: 'titrate',
			reagent: 'B',
			action: { kind: 'titrate', handsS: titrationSeconds(0.5885, TIP_DROP_ML) },
			say: 'Add acid drop by drop until green turns wine red',
			detail:
				'One drop, swirl, look. At grey violet you are nearly there: single drops only. The first full wine red counts.',
			why: 'A stream turns the colour early where it falls in. The true end point lies somewhere in the last drop, so half a drop is taken off the result.',
			expect: { name: 'wine red', css: '#a3264f' }
		}
	]
};
