import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_DROPS,
	CA_SYRINGE,
	GH_DROPS,
	K_FILTER,
	MG_SYRINGE,
	NO3_CARD,
	NO3_LADDER,
	PO4_CARD,
	PO4_METER,
	SALINITY_GLASS,
	SALINITY_METER,
	type Method
} from '../method/index.ts';
import type { Levels } from './levels.ts';

export const TANK_KINDS = [
	'mixed-reef',
	'stony-low-nutrient',
	'fish-only',
	'soft-fresh',
	'community-fresh'
] as const;
export type TankKind = (typeof TANK_KINDS)[number];

/** What lives in a kind of tank, what is done to it, and what is tested. */
export interface Nature {
	readonly start: Levels;
	/** Uptake of alkalinity, dKH a day; calcium follows. */
	readonly uptake: readonly [least: number, most: number];
	readonly nitrateLoad: number;
	readonly phosphateLoad: number;
	/** Share of nitrate and phosphate taken up per day. */
	readonly export: number;
	readonly doses: boolean;
	readonly changeFraction: number;
	readonly changeEveryDays: number;
	readonly salt: boolean;
	readonly tests: readonly (readonly [method: Method, everyDays: number])[];
}

const REEF_IONS = { magnesium: 1330, potassium: 398, salinity: 35 } as const;

/** Kinds of tank and what is tested in them, by the demo's conventions. */
export const NATURES: Readonly<Record<TankKind, Nature>> = {
	'mixed-reef': {
		start: { alkalinity: 8.2, calcium: 430, nitrate: 7, phosphate: 0.06, ...REEF_IONS },
		uptake: [0.3, 0.9],
		nitrateLoad: 0.55,
		phosphateLoad: 0.006,
		export: 0.08,
		doses: true,
		changeFraction: 0.08,
		changeEveryDays: 14,
		salt: true,
		tests: [
			[ALK_SYRINGE, 3.5],
			[CA_SYRINGE, 7],
			[MG_SYRINGE, 28],
			[K_FILTER, 28],
			[NO3_CARD, 10],
			[PO4_METER, 10],
			[SALINITY_GLASS, 7]
		]
	},
	'stony-low-nutrient': {
		start: { alkalinity: 7.6, calcium: 425, nitrate: 2.5, phosphate: 0.04, ...REEF_IONS },
		uptake: [0.6, 1.8],
		nitrateLoad: 0.2,
		phosphateLoad: 0.003,
		export: 0.08,
		doses: true,
		changeFraction: 0.1,
		changeEveryDays: 14,
		salt: true,
		tests: [
			[ALK_SYRINGE, 2],
			[CA_SYRINGE, 7],
			[MG_SYRINGE, 14],
			[K_FILTER, 21],
			[NO3_LADDER, 7],
			[PO4_METER, 7],
			[SALINITY_METER, 7]
		]
	},
	'fish-only': {
		start: { alkalinity: 8, calcium: 410, nitrate: 18, phosphate: 0.2, ...REEF_IONS },
		uptake: [0.02, 0.08],
		nitrateLoad: 1.1,
		phosphateLoad: 0.012,
		export: 0.02,
		doses: false,
		changeFraction: 0.12,
		changeEveryDays: 14,
		salt: true,
		tests: [
			[ALK_DROPS, 14],
			[CA_DROPS, 28],
			[NO3_CARD, 7],
			[PO4_CARD, 14],
			[SALINITY_GLASS, 7]
		]
	},
	'soft-fresh': {
		start: { alkalinity: 1.7, hardness: 3.4, nitrate: 8 },
		uptake: [0.002, 0.01],
		nitrateLoad: 0.25,
		phosphateLoad: 0,
		export: 0.02,
		doses: false,
		changeFraction: 0.15,
		changeEveryDays: 14,
		salt: false,
		tests: [
			[ALK_DROPS, 14],
			[GH_DROPS, 14],
			[NO3_CARD, 14]
		]
	},
	'community-fresh': {
		start: { alkalinity: 5.5, hardness: 8, nitrate: 20 },
		uptake: [0.005, 0.03],
		nitrateLoad: 0.9,
		phosphateLoad: 0,
		export: 0.015,
		doses: false,
		changeFraction: 0.25,
		changeEveryDays: 10,
		salt: false,
		tests: [
			[ALK_DROPS, 10],
			[GH_DROPS, 14],
			[NO3_CARD, 7]
		]
	}
};
