import type { SyringeMethod } from '../syringe-method.ts';
import { RINSE_AND_DRAW, fillStep } from './syringe-steps.ts';
import { HANDS_S, titrationSeconds } from './times.ts';

const TIP_DROP_ML = 0.015;

/** Calcium with a complexing titrant from a syringe; 1 mL is worth 534.4 mg/L, twice that with half the sample. */
export const CA_SYRINGE: SyringeMethod = {
	kind: 'syringe-titration',
	code: 'ca-syringe',
	version: 1,
	name: 'Calcium by syringe',
	parameter: 'calcium',
	sampleMl: { full: 3, half: 1.5 },
	titrant: { reagent: 'the titrant', molPerL: 0.04, relativeTolerance: 0.01 },
	syringe: { capacityMl: 1, graduationMl: 0.01, readAs: 'used', tipDropMl: TIP_DROP_ML },
	sampleRelativeTolerance: 0.01,
	endPointUMl: TIP_DROP_ML,
	colours: {
		start: { name: 'amber', css: '#d68a1e' },
		passing: { name: 'brownish rose', css: '#b06a70' },
		end: { name: 'violet', css: '#6a3fa0' }
	},
	reagents: [
		{ label: 'A', what: 'alkaline buffer, pH 12 to 13', hazards: ['caustic'] },
		{ label: 'B', what: 'indicator', hazards: ['harmful'] },
		{ label: 'C', what: 'complexing titrant', hazards: ['harmful'] }
	],
	steps: [
		...RINSE_AND_DRAW,
		{
			id: 'buffer',
			reagent: 'A',
			action: { kind: 'drops', count: 6, handsS: 6 * HANDS_S.countedDrop },
			say: 'Add 6 drops of buffer A',
			detail: 'Bottle straight upside down, full drops only. Do not swirl yet.',
			why: 'At this pH magnesium falls out as hydroxide and is not titrated along with calcium.'
		},
		{
			id: 'leave',
			action: { kind: 'stand', seconds: 20 },
			say: 'Leave it for 20 seconds, unmixed',
			detail: 'Put the vial down. Do not swirl. It may turn cloudy; that is the magnesium.',
			why: 'Magnesium hydroxide forms in the drops first. Mixed at once it would drag calcium down with it.'
		},
		{
			id: 'indicator',
			reagent: 'B',
			action: { kind: 'drops', count: 3, handsS: 3 * HANDS_S.countedDrop },
			say: 'Add 3 drops of indicator B',
			detail: 'Bottle straight upside down, full drops only.',
			why: 'The indicator holds a little calcium and is amber with it; when the titrant has taken the last of it, it turns violet.'
		},
		{
			id: 'swirl',
			action: { kind: 'swirl', seconds: 10 },
			say: 'Swirl for 10 seconds',
			detail: 'The whole vial is evenly amber.',
			why: 'Streaks would turn early, where the titrant meets them first.',
			expect: { name: 'amber', css: '#d68a1e' }
		},
		fillStep('titrant C', 'C'),
		{
			id: 'titrate',
			reagent: 'C',
			action: { kind: 'titrate', handsS: titrationSeconds(0.812, TIP_DROP_ML) },
			say: 'Add titrant drop by drop until amber turns violet',
			detail:
				'One drop, swirl, look. At brownish rose you are nearly there: single drops only. The first full violet counts.',
			why: 'The last step is slow: each drop needs its swirl before the colour can be trusted. The true end point lies somewhere in the last drop, so half a drop is taken off the result.',
			expect: { name: 'violet', css: '#6a3fa0' }
		}
	]
};
