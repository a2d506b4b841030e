import type { UnitId } from './unit.ts';

export type ParameterId = 'alkalinity' | 'calcium';

export interface ParameterDefinition {
	readonly name: string;
	readonly symbol: string;
	/** What exactly is meant: "carbonate hardness" of a kit is total alkalinity, borate included (Dickson 1981). */
	readonly species: string;
	readonly canonicalUnit: UnitId;
	/** The first is shown unless the keeper chose another. */
	readonly units: readonly UnitId[];
	/** Largest plausible consumption in a stocked reef, canonical unit per day (husbandry convention). */
	readonly plausibleRatePerDay: number;
	/** Spread of what a water may hold, one standard deviation, canonical unit; used where nothing is known. */
	readonly plausibleSpread: number;
	/** Least and greatest value a person could mean, canonical unit; beyond it a typed target is refused. */
	readonly conceivable: readonly [number, number];
}

export const PARAMETERS: Readonly<Record<ParameterId, ParameterDefinition>> = {
	alkalinity: {
		name: 'Alkalinity',
		symbol: 'KH',
		species: 'total alkalinity',
		canonicalUnit: 'dkh',
		units: ['dkh', 'meq-per-l', 'mg-per-l-caco3'],
		plausibleRatePerDay: 2,
		plausibleSpread: 2,
		conceivable: [0, 40]
	},
	calcium: {
		name: 'Calcium',
		symbol: 'Ca',
		species: 'calcium',
		canonicalUnit: 'mg-per-l',
		units: ['mg-per-l'],
		plausibleRatePerDay: 15,
		plausibleSpread: 40,
		conceivable: [0, 1500]
	}
};

export const PARAMETER_IDS = Object.keys(PARAMETERS) as readonly ParameterId[];

export function isParameterId(text: string): text is ParameterId {
	return Object.hasOwn(PARAMETERS, text);
}
