import type { Method } from '../method.ts';
import { ALK_DROPS, ALK_METER, ALK_SYRINGE } from './alkalinity.ts';
import { CA_DROPS, CA_MG_PAIR, CA_SYRINGE } from './calcium.ts';
import { HARDNESS_DROPS, MG_SYRINGE } from './magnesium.ts';
import { NH3_CARD, NO2_CARD, NO3_CARD, NO3_LADDER, PO4_CARD, PO4_METER } from './nutrients.ts';
import {
	GH_DROPS,
	PH_PROBE,
	TEMPERATURE_PROBE,
	PH_CARD,
	PH_CARD_LOW,
	SALINITY_FLOAT,
	SALINITY_GLASS,
	SALINITY_METER,
	THERMOMETER
} from './others.ts';
import { K_FILTER, K_QUICK } from './potassium.ts';
import { STATED } from './stated.ts';

/** Generic methods, named by what they do; their numbers follow from their chemistry. */
export const SHIPPED_METHODS: readonly Method[] = [
	ALK_SYRINGE,
	ALK_DROPS,
	ALK_METER,
	CA_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	MG_SYRINGE,
	HARDNESS_DROPS,
	K_FILTER,
	K_QUICK,
	NO3_CARD,
	NO3_LADDER,
	PO4_CARD,
	PO4_METER,
	NH3_CARD,
	NO2_CARD,
	PH_CARD,
	PH_CARD_LOW,
	SALINITY_GLASS,
	SALINITY_FLOAT,
	SALINITY_METER,
	THERMOMETER,
	TEMPERATURE_PROBE,
	PH_PROBE,
	GH_DROPS,
	...STATED
];

export function methodByCode(code: string): Method | null {
	return SHIPPED_METHODS.find((m) => m.code === code) ?? null;
}
