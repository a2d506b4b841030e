/** Density of sea water (EOS-80), and specific gravity and salinity from it. */
export { densityNear, densityOf } from './density.ts';
export {
	specificGravity,
	salinityOfSpecificGravity,
	salinityByHydrometer,
	densityByHydrometer,
	type HydrometerScale
} from './specific-gravity.ts';
