import type { Handling, RinseSchool } from '$lib/contract/handling';
import { isCommonRinse, type ProtocolStep } from '$lib/core/method';

const RINSE: Readonly<Record<RinseSchool, { readonly say: string; readonly detail: string } | null>> = {
	both: null,
	sample: {
		say: 'Rinse the vial twice with the water to be tested',
		detail:
			'Pour it away each time. Dry the outside. Have a timer, good light and something white behind the vial.'
	},
	pure: {
		say: 'Rinse the vial with purified water, and shake the last drops out',
		detail:
			'Upside down on a clean towel for a moment: every drop that stays thins the sample. Have a timer, good light and something white behind the vial.'
	}
};

/** The vials of a session, in one sentence. */
export const RINSE_ALL: Readonly<Record<RinseSchool, string>> = {
	both: 'Every vial and cap with purified water, then with the water that is tested in it',
	sample: 'Every vial and cap twice with the water that is tested in it',
	pure: 'Every vial and cap with purified water, the last drops shaken out'
};

/**
 * A step as this person does it: what a leaflet leaves open is said as they are used to it. Nothing that is counted or
 * timed changes.
 */
export function handled<S extends Pick<ProtocolStep, 'action' | 'say' | 'detail' | 'reagent'>>(
	step: S,
	{ rinse, mixing, lid }: Handling
): S {
	if (isCommonRinse(step)) return { ...step, ...RINSE[rinse] };
	if (step.action.kind !== 'swirl' || step.reagent !== undefined) return step;
	if (mixing === 'stirrer') {
		return {
			...step,
			say: step.say.replace(/^Swirl\b/, 'Stir with the stirrer'),
			detail: 'Slowly enough that no air is drawn in; the bar is clean, and takes up none of the sample.'
		};
	}
	return lid === 'open'
		? {
				...step,
				detail: step.detail.replace('the vial open or capped', 'the vial open, nothing over its rim')
			}
		: step;
}
