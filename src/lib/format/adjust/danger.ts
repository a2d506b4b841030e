import type { PlanStep } from '$lib/core/correction';

/** The usual cautions of adding something; label, data sheet and local rules come first. */
export const DANGERS = {
	concentrates:
		'Never mix concentrates with each other. One after the other, half an hour apart, each into strong flow.',
	caustic:
		'Carbonate and limewater are caustic: gloves and goggles. Eyes are rinsed for 15 minutes with water.',
	heats: 'Calcium chloride heats strongly: the salt into cold water, little by little, never the reverse.',
	oxidiser: 'Nitrates feed fire: away from heat, fuel and acids.',
	slowly: 'Add where the flow is strongest, slowly, away from animals and their mouths.',
	grade: 'Only food or reagent grade, never road salt, fertiliser or anything scented.',
	children: 'Out of reach of children and pets; in vessels that nobody drinks from.',
	mains: 'Heaters and pumps unplugged before hands go in. Drip loops, a residual-current device.',
	waste: 'Tested sample water never goes back into the tank.',
	label: 'The label and the safety data sheet come first; so do local rules.',
	acid: 'Acid into water, never water into acid; never on carbonate in a closed room.'
} as const;
export type DangerId = keyof typeof DANGERS;

/** What to beware of while a plan is carried out. */
export function dangersOf(steps: readonly PlanStep[]): DangerId[] {
	const doses = steps.flatMap((s) => (s.what.kind === 'dose' ? [s.what] : []));
	const dangers = new Set<DangerId>();
	if (doses.length > 0) {
		dangers.add('label');
		dangers.add('slowly');
		if (new Set(doses.map((d) => d.supplementId)).size > 1) dangers.add('concentrates');
		if (doses.some((d) => d.parameter === 'alkalinity' || d.supplementId === 'limewater'))
			dangers.add('caustic');
		if (doses.some((d) => d.supplementId.includes('CaCl2'))) dangers.add('heats');
		if (doses.some((d) => d.parameter === 'nitrate')) dangers.add('oxidiser');
		if (doses.some((d) => d.supplementId.startsWith('salt:'))) dangers.add('grade');
		dangers.add('children');
	}
	if (steps.some((s) => s.what.kind === 'change' || s.what.kind === 'salinity')) dangers.add('mains');
	if (steps.some((s) => s.what.kind === 'test')) dangers.add('waste');
	return [...dangers];
}

export const DYING =
	'Animals are dying: air first, no food, stop dosing. A water change of a tenth does no harm if temperature and salinity fit. Then test. Sick animals belong to somebody who is trained for it.';
