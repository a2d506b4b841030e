import * as comparator from './adapters/comparator.ts';
import * as methods from './adapters/compare-methods.ts';
import { inspectBand } from './adapters/judgement.ts';
import { checkOnStandard } from './adapters/kit-check.ts';
import * as salinity from './adapters/salinity.ts';
import * as titration from './adapters/titration.ts';
import * as trend from './adapters/trend.ts';
import * as uncertainty from './adapters/uncertainty.ts';
import * as units from './adapters/units.ts';
import type { Operation } from './shape.ts';

/** Every operation of the reference cases that the core meets, by its name. */
export const OPERATIONS: Readonly<Record<string, Operation>> = {
	alkalinity_convert: units.alkalinityConvert,
	alkalinity_from_umol_per_kg: units.alkalinityFromPerMass,
	alkalinity_rounded_rule_error: units.roundedRule,
	free_ammonia: units.freeAmmonia,
	hardness_convert: units.hardnessConvert,
	ion_convert: units.ionConvert,
	mass_convert: units.measureConvert,
	nutrient_convert: units.nutrientConvert,
	phosphate_ppb: units.phosphatePpb,
	temperature_convert: units.temperatureConvert,
	volume_convert: units.measureConvert,
	conductivity_from_salinity: salinity.toConductivity,
	density: salinity.density,
	normalise_to_S35: salinity.normalise,
	reference_composition: salinity.referenceComposition,
	refractive_index: salinity.refraction,
	salinity_from_compensated_conductivity: salinity.fromCompensated,
	salinity_from_conductivity: salinity.fromConductivity,
	salinity_from_hydrometer: salinity.fromHydrometer,
	salinity_from_sg: salinity.salinityFromSg,
	sg_from_salinity: salinity.sgFromSalinity,
	standard_check: checkOnStandard,
	against_prediction: methods.prediction,
	bland_altman: methods.series,
	compare_pair: methods.pair,
	value_vs_interval: methods.besideInterval,
	comparator_reading: comparator.comparatorReading,
	alkalinity_titration: titration.titrateAlkalinity,
	calcium_titration: titration.titrateCalcium,
	chart_lookup: titration.chartLookup,
	dilution: titration.dilute,
	drop_volume: titration.dropVolume,
	drops: titration.countDrops,
	magnesium_by_difference: titration.magnesiumDifference,
	magnesium_plain_subtraction: titration.magnesiumPlain,
	potassium_back_titration: titration.potassiumBack,
	potassium_direct_titration: titration.potassiumDirect,
	single_point_factor: titration.singlePoint,
	syringe_delivered: titration.syringeDelivered,
	syringe_then_chart: titration.syringeThenChart,
	two_point_correction: titration.twoStandards,
	effective_dof: uncertainty.effectiveDof,
	in_band: inspectBand,
	magnesium_difference_budget: uncertainty.magnesiumBudget,
	repeat_range_check: uncertainty.rangeOfRepeats,
	replicates: uncertainty.repeats,
	standard_uncertainty: uncertainty.standardUncertainty,
	titration_budget: uncertainty.titrationBudgetCase,
	two_point_uncertainty: uncertainty.twoStandardsU,
	two_rectangulars_coverage: uncertainty.twoRectangulars,
	weighted_mean: uncertainty.meanOfWeighted,
	first_passage_floor: trend.firstPassage,
	interval_update: trend.intervalUpdate,
	kalman_rts: trend.filterAndSmooth,
	next_test: trend.whenNext,
	rate_two_point: trend.twoPoint,
	rate_wls: trend.weightedLine,
	stoichiometry_check: trend.stoichiometry,
	synthetic_ensemble: trend.coverageOfMany,
	synthetic_rate: trend.meanConsumption
};
