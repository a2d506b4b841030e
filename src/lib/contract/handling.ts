/** What vials are rinsed with before the sample. */
export const RINSE_SCHOOLS = ['both', 'sample', 'pure'] as const;
export type RinseSchool = (typeof RINSE_SCHOOLS)[number];
/** What mixes the vial. */
export const MIXING_SCHOOLS = ['hand', 'stirrer'] as const;
export type MixingSchool = (typeof MIXING_SCHOOLS)[number];
/** Whether a vial is capped while it is swirled. */
export const LID_SCHOOLS = ['cap', 'open'] as const;
export type LidSchool = (typeof LID_SCHOOLS)[number];

/** How a person works at the bench, where leaflets leave it open. */
export interface Handling {
	readonly rinse: RinseSchool;
	readonly mixing: MixingSchool;
	readonly lid: LidSchool;
}

export const USUAL_HANDLING: Handling = { rinse: 'both', mixing: 'hand', lid: 'cap' };
