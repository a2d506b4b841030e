/** What doses and exchanges do to a water; one mass balance for all that look back or ahead. */
export { afterWaterChange } from './water-change.ts';
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
