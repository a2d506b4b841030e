import type { Hazard, Method, ProtocolStep } from '$lib/core/method';

/** The usual caution, in plain words; the label, its data sheet and local rules come first. */
export const CAUTIONS: Readonly<Record<Hazard, string>> = {
	acid: 'Acid: burns eyes and skin. Goggles; rinse for 15 minutes with water. Never near bleach.',
	caustic:
		'Strongly alkaline: worse for eyes than acid. Goggles and gloves; keep away from children and pets.',
	harmful: 'Harmful if swallowed. Wash your hands; never to the mouth.',
	flammable: 'Flammable: no open flame near it.',
	powder: 'Powder: do not breathe the dust.',
	'heavy-metal': 'Heavy metal: poisonous. Gloves; collect the waste, never down the drain.'
};

export const HAZARD_NAMES: Readonly<Record<Hazard, string>> = {
	acid: 'acid',
	caustic: 'strongly alkaline',
	harmful: 'harmful',
	flammable: 'flammable',
	powder: 'powder',
	'heavy-metal': 'heavy metal'
};

/** Before a test; what becomes of tested water is said where it is poured away. */
export const LABEL_BEFORE = 'Label, safety data sheet and local rules first.';

export const LABEL_FIRST =
	'The label, the safety data sheet and local disposal rules come first. Tested water never goes back into the tank.';

/** What to beware of in a step, by the reagent that it handles; empty where there is none. */
export function cautionOf(method: Method, step: ProtocolStep): string {
	const reagent = method.reagents.find((r) => r.label === step.reagent);
	return reagent ? reagent.hazards.map((h) => CAUTIONS[h]).join(' ') : '';
}
