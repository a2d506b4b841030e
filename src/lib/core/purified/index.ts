/** Purified water: what its meter shows, what of its unit is to be changed. */
export {
	METER_UNITS,
	STAGES_OF_UNIT,
	UNIT_PARTS,
	type MeterUnit,
	type PurifiedFact,
	type UnitPart,
	type UnitStage
} from './fact.ts';
export {
	conductivityOf,
	judgePurified,
	LASTS_DAYS,
	PPM_PER_US,
	type DatedFact,
	type PartState,
	type PurifiedPart,
	type PurifiedState
} from './judge-purified.ts';
