/** What doses and exchanges do to a water; one mass balance for all that look back or ahead. */
export { afterWaterChange } from './water-change.ts';
export { CM_PER_INCH, ROCKWORK_IDS, volumeOfGlass, type Glass, type RockworkId } from './volume-of-glass.ts';
export {
	inputsOf,
	steadyInputAt,
	volumeAt,
	type DatedVolume,
	type WaterEvent,
	type SupplementStrength,
	type ConcentrationInput,
	type KnownValue
} from './input.ts';
