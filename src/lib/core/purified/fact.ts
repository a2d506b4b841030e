/** Where along the unit the meter was held, in the order of the water. */
export const STAGES_OF_UNIT = ['tap', 'after-membrane', 'after-resin'] as const;
export type UnitStage = (typeof STAGES_OF_UNIT)[number];

/** What of a unit is changed from time to time. */
export const UNIT_PARTS = ['prefilter', 'membrane', 'resin'] as const;
export type UnitPart = (typeof UNIT_PARTS)[number];

/** What a meter shows: conductivity at 25 °C, or dissolved solids reckoned from it. */
export const METER_UNITS = ['us-per-cm', 'ppm'] as const;
export type MeterUnit = (typeof METER_UNITS)[number];

/** What is known of purified water: a reading of the meter, or a part that was changed. */
export type PurifiedFact =
	| { readonly kind: 'reading'; readonly stage: UnitStage; readonly value: number; readonly unit: MeterUnit }
	| { readonly kind: 'changed'; readonly part: UnitPart };
