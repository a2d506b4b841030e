/** What to add or change: masses, volumes, water changes, salinity. */
export { COMPOUNDS, COMPOUND_IDS, type Brought, type Compound, type CompoundId } from './compound.ts';
export { effectOfMass, massForRise, overDays, stockForRise, type DoseEffect, type Raised } from './dose.ts';
export { limewaterPerDay, saltResidue } from './limewater.ts';
export { magnesiumSalts } from './magnesium.ts';
export {
	afterChanges,
	afterContinuous,
	changesFor,
	fractionFor,
	steadyChanges,
	turnoversFor,
	volumeByDose
} from './exchange.ts';
export { blend, evaporated, saltFor, thinned } from './salinity.ts';
