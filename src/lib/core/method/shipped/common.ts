import type { Meter, MethodCommon, Reagent, Titration } from '../method.ts';
import type { NamedColour } from '../named-colour.ts';

/** Rectangular half-widths that hold for every shipped kit unless it says otherwise. */
export const ONE_PERCENT = 0.01;
export const TIP_DROP_ML = 0.015;
export const DROP_ML = 0.04;
/** Drops differ by 3 to 10 % between bottles, hands and angles; a bottle held upright does better than that. */
const DROP_TOLERANCE = 0.03;

export const NO_LIMITS = { low: null, high: null } as const;
export const NO_PACK = { tests: null, price: null, closedMonths: null, openedMonths: null } as const;

export const colour = (name: string, css: string): NamedColour => ({ name, css });

export const reagent = (label: string, what: string, ...hazards: Reagent['hazards'][number][]): Reagent => ({
	label,
	what,
	hazards
});

/** The 1.00 mL syringe with 0.01 mL divisions that every shipped syringe kit has. */
export const syringe = (readAs: 'left' | 'used', headStartMl = 0): Meter => ({
	kind: 'syringe',
	capacityMl: 1,
	graduationMl: 0.01,
	readAs,
	tipDropMl: TIP_DROP_ML,
	headStartMl
});

export const dropper: Meter = { kind: 'drops', dropMl: DROP_ML, relativeTolerance: DROP_TOLERANCE };

type Given = Pick<Titration, 'parameter' | 'titrant' | 'worth' | 'colours'>;

/** Judging the end point has a standard uncertainty of one tip drop. */
export const bySyringe = (given: Given, meter: Meter): Titration => ({
	...given,
	meter,
	titrantRelativeTolerance: ONE_PERCENT,
	endPointU: TIP_DROP_ML
});

/** Judging the end point has a standard uncertainty of half a drop. */
export const byDrops = (given: Given): Titration => ({
	...given,
	meter: dropper,
	titrantRelativeTolerance: ONE_PERCENT,
	endPointU: 0.5
});

/** What a titration kit says of itself, the rest being as usual. */
export function kit<T extends Partial<MethodCommon>>(
	given: T &
		Pick<
			MethodCommon,
			'code' | 'name' | 'parameter' | 'species' | 'sampleMl' | 'reagents' | 'steps' | 'equipment'
		>
) {
	return {
		version: 1,
		sampleRelativeTolerance: ONE_PERCENT,
		dilutions: [],
		limits: NO_LIMITS,
		pack: NO_PACK,
		...given
	};
}

export const VIAL = '10 mL vial with cap';
export const TITRATION_SYRINGE = '1 mL titration syringe with tip';
export const SAMPLE_SYRINGE = '10 mL sample syringe';
