import type { ProtocolStep } from '../protocol.ts';
import { HANDS_S } from './times.ts';

/** The steps that every titration from a 1 mL syringe begins with, in one wording. */
export const RINSE_AND_DRAW: readonly ProtocolStep[] = [
	{
		id: 'rinse',
		action: { kind: 'prepare', handsS: HANDS_S.setUp },
		say: 'Rinse the vial with purified water, then with tank water',
		detail: 'Pour both away. Dry the outside. Have a timer, good light and something white behind the vial.',
		why: 'What an earlier test left behind takes up reagent or gives some back. The last rinse is with the sample, so that what stays on the glass is the sample itself.'
	},
	{
		id: 'draw',
		action: { kind: 'draw', handsS: HANDS_S.draw },
		say: 'Draw {sample} of tank water into the vial',
		detail:
			'Push the air out first. Read at the lower edge of the plunger, with the syringe upright at eye level.',
		why: 'An error in the sample is the same error in the result: 1 % too little water reads 1 % too low.'
	}
];

/** @param label of the titrant's bottle */
export function fillStep(titrant: string, label: string): ProtocolStep {
	return {
		id: 'fill',
		reagent: label,
		action: { kind: 'fill', handsS: HANDS_S.fillSyringe },
		say: `Fill the 1 mL syringe with ${titrant} to the full mark`,
		detail:
			'Tip on, tip in the liquid, draw slowly. Set the lower edge of the plunger on 1.00, not the level of the liquid. The air under the plunger belongs there.',
		why: 'The air fills the dead volume of the tip. It is the same at the start and at the end, so it cancels; only the movement of the plunger counts.'
	};
}
