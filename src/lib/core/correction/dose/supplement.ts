import type { SupplementStrength } from '../../balance/index.ts';
import { CONVENTIONS } from '../../caution/index.ts';
import { dkhFromMeqPerL, meqPerLFromDkh } from '../../quantity/index.ts';
import { BROUGHT_MASS, COMPOUNDS, type Brought, type CompoundId } from './compound.ts';
import { effectOfMass, sumOfEffects, type DoseEffect } from './dose.ts';
import { SATURATED_LIMEWATER_MOL_PER_L } from './limewater.ts';

/** What a dose can raise on purpose. */
export const RAISED = ['alkalinity', 'calcium', 'magnesium', 'potassium', 'nitrate', 'phosphate'] as const;
export type RaisedParameter = (typeof RAISED)[number];

export const ION_OF: Readonly<Record<Exclude<RaisedParameter, 'alkalinity'>, Brought>> = {
	calcium: 'Ca',
	magnesium: 'Mg',
	potassium: 'K',
	nitrate: 'NO3',
	phosphate: 'PO4'
};

/** In which form a product brings alkalinity: how far it lifts pH at once hangs on it. */
export const ALKALINITY_FORMS = ['bicarbonate', 'carbonate', 'hydroxide', 'unknown'] as const;
export type AlkalinityForm = (typeof ALKALINITY_FORMS)[number];

export const DOSE_UNITS = ['ml', 'g'] as const;
export type DoseUnit = (typeof DOSE_UNITS)[number];

/** How much a unit of a product raises a hundred litres, canonical unit of the parameter. */
export interface ProductStrength {
	readonly parameter: RaisedParameter;
	readonly risePer100L: number;
}

/** Something that is added to a water, and what is known of what it brings. */
export type Supplement =
	| {
			/** A salt that is weighed and dissolved for each dose; amounts in g. */
			readonly kind: 'salt';
			readonly compound: CompoundId;
			/** Mass fraction, above 0 to 1. */
			readonly purity: number;
	  }
	| {
			/** Mixed at home; amounts in mL. */
			readonly kind: 'solution';
			readonly parts: readonly {
				readonly compound: CompoundId;
				readonly gramsPerL: number;
				readonly purity: number;
			}[];
	  }
	| {
			/** A product of the keeper's own, by its label or by a trial. */
			readonly kind: 'product';
			readonly unit: DoseUnit;
			readonly strength: readonly ProductStrength[];
			readonly form: AlkalinityForm;
			readonly from: 'label' | 'trial';
			/** Relative standard uncertainty of the strength. */
			readonly relativeU: number;
	  }
	| {
			/** Calcium hydroxide in water; amounts in mL. */
			readonly kind: 'limewater';
			readonly molPerL: number;
	  };

/** Relative standard uncertainty of what is weighed, mixed and measured out (conventions). */
const WEIGHED_U = CONVENTIONS.weighedDose.value;
const MIXED_U = CONVENTIONS.mixedDose.value;
const LIMEWATER_U = CONVENTIONS.limewaterDose.value;
/** Of a strength that is read from a label. */
export const LABEL_U = CONVENTIONS.labelStrength.value;

export const unitOf = (supplement: Supplement): DoseUnit =>
	supplement.kind === 'salt' ? 'g' : supplement.kind === 'product' ? supplement.unit : 'ml';

export function relativeUOf(supplement: Supplement): number {
	switch (supplement.kind) {
		case 'salt':
			return WEIGHED_U;
		case 'solution':
			return MIXED_U;
		case 'limewater':
			return LIMEWATER_U;
		case 'product':
			return supplement.relativeU;
	}
}

/** mmol of inorganic carbon to the meq of alkalinity; an unknown form is taken as the carbonate that most products are. */
const CARBON_PER_EQ: Readonly<Record<AlkalinityForm, number>> = {
	bicarbonate: 1,
	carbonate: 0.5,
	hydroxide: 0,
	unknown: 0.5
};

/**
 * What an amount does to a water.
 *
 * @param amount g or mL, see `unitOf`
 * @param volumeL net volume of the water, above 0
 */
export function effectOf(supplement: Supplement, amount: number, volumeL: number): DoseEffect {
	if (!(volumeL > 0)) throw new RangeError(`a volume must be above 0 L, not ${volumeL}`);
	switch (supplement.kind) {
		case 'salt':
			return effectOfMass(supplement.compound, amount, volumeL, supplement.purity);
		case 'solution':
			return sumOfEffects(
				supplement.parts.map(({ compound, gramsPerL, purity }) => [
					effectOfMass(compound, (amount / 1000) * gramsPerL, volumeL, purity),
					1
				])
			);
		case 'limewater': {
			const mmolPerL = (amount * supplement.molPerL) / volumeL;
			return {
				ions: { Ca: mmolPerL * BROUGHT_MASS.Ca },
				alkalinityDkh: dkhFromMeqPerL(2 * mmolPerL),
				carbonMmolPerL: 0
			};
		}
		case 'product': {
			const rise = (parameter: RaisedParameter) =>
				supplement.strength
					.filter((s) => s.parameter === parameter)
					.reduce((sum, s) => sum + (s.risePer100L * amount * 100) / volumeL, 0);
			const alkalinityDkh = rise('alkalinity');
			const ions: Partial<Record<Brought, number>> = {};
			for (const [parameter, ion] of Object.entries(ION_OF) as [keyof typeof ION_OF, Brought][]) {
				const brought = rise(parameter);
				if (brought !== 0) ions[ion] = brought;
			}
			return {
				ions: withCounterIons(ions, alkalinityDkh),
				alkalinityDkh,
				carbonMmolPerL: CARBON_PER_EQ[supplement.form] * meqPerLFromDkh(alkalinityDkh)
			};
		}
	}
}

/** What a label does not say: calcium, magnesium and potassium come as chlorides mostly, alkalinity and nitrate with sodium. */
function withCounterIons(
	ions: Readonly<Partial<Record<Brought, number>>>,
	alkalinityDkh: number
): Partial<Record<Brought, number>> {
	const mmol = (ion: Brought) => (ions[ion] ?? 0) / BROUGHT_MASS[ion];
	// Phosphate counts from H₂PO₄⁻, one charge.
	const left =
		2 * mmol('Ca') + 2 * mmol('Mg') + mmol('K') - meqPerLFromDkh(alkalinityDkh) - mmol('NO3') - mmol('PO4');
	if (left > 0) return { ...ions, Cl: left * BROUGHT_MASS.Cl };
	if (left < 0) return { ...ions, Na: -left * BROUGHT_MASS.Na };
	return { ...ions };
}

/** What an effect raises of a parameter, its canonical unit. */
export function riseIn(effect: DoseEffect, parameter: RaisedParameter): number {
	return parameter === 'alkalinity' ? effect.alkalinityDkh : (effect.ions[ION_OF[parameter]] ?? 0);
}

/** The parameters that a supplement raises. */
export function raisedBy(supplement: Supplement): RaisedParameter[] {
	const effect = effectOf(supplement, 1, 100);
	return RAISED.filter((parameter) => riseIn(effect, parameter) > 0);
}

/** The parameters that a supplement may be offered for: those that it raises and is made for, not its by-products. */
export function offeredFor(supplement: Supplement): RaisedParameter[] {
	const purposes = (compound: CompoundId): readonly RaisedParameter[] => COMPOUNDS[compound].purpose;
	switch (supplement.kind) {
		case 'salt':
			return [...purposes(supplement.compound)];
		case 'solution':
			return RAISED.filter((p) => supplement.parts.some((part) => purposes(part.compound).includes(p)));
		case 'product':
		case 'limewater':
			return raisedBy(supplement);
	}
}

/** As it would harm most where its label does not say in which form it brings alkalinity. */
export function atItsHarshest(supplement: Supplement): Supplement {
	return supplement.kind === 'product' && supplement.form === 'unknown'
		? { ...supplement, form: 'hydroxide' }
		: supplement;
}

/**
 * The amount that raises a parameter by so much; a rise of 0 or below needs nothing.
 *
 * @throws {RangeError} where the supplement does not raise it
 */
export function amountFor(
	supplement: Supplement,
	parameter: RaisedParameter,
	rise: number,
	volumeL: number
): number {
	const each = riseIn(effectOf(supplement, 1, volumeL), parameter);
	if (!(each > 0)) throw new RangeError(`this supplement brings no ${parameter}`);
	return Math.max(0, rise / each);
}

/** Its strength as events of dosing keep it: rise of a hundred litres by one unit. */
export function strengthOf(supplement: Supplement): SupplementStrength[] {
	const effect = effectOf(supplement, 1, 100);
	return RAISED.flatMap((parameter) => {
		const rise = riseIn(effect, parameter);
		return rise > 0 ? [{ parameter, risePerMlIn100L: Number(rise.toPrecision(9)) }] : [];
	});
}

export const SATURATED_LIMEWATER: Supplement = {
	kind: 'limewater',
	molPerL: SATURATED_LIMEWATER_MOL_PER_L
};

/**
 * The strength of a product by a trial dose in water of known volume.
 *
 * @param rise what the readings before and after differ by, with its standard uncertainty
 * @returns rise of a hundred litres by one unit, and its relative standard uncertainty
 * @throws {RangeError} where nothing rose, or by less than it could be told
 */
export function strengthByTrial(
	amount: number,
	volumeL: { readonly value: number; readonly u: number },
	rise: { readonly value: number; readonly u: number }
): { readonly risePer100L: number; readonly relativeU: number } {
	if (!(amount > 0) || !(volumeL.value > 0)) throw new RangeError('a trial needs an amount and a volume');
	if (!(rise.value > 2 * rise.u)) throw new RangeError('the rise is not larger than it could be told');
	return {
		risePer100L: (rise.value * volumeL.value) / 100 / amount,
		relativeU: Math.hypot(rise.u / rise.value, volumeL.u / volumeL.value)
	};
}

/** A row of a leaflet's own dosing table: so much for so high a reading. */
export interface DosingRow {
	readonly reading: number;
	readonly amountPer100L: number;
}

/**
 * A dose by a leaflet's own table, linear between its rows and never beyond them; such an additive is steered by
 * retests, because nobody knows what it brings.
 *
 * @param rows readings rising and each once
 * @returns amount a day for the volume
 * @throws {RangeError} where rows do not rise
 */
export function doseByTable(rows: readonly DosingRow[], reading: number, volumeL: number): number {
	if (rows.length === 0) throw new RangeError('a dosing table has at least one row');
	for (const [i, row] of rows.entries()) {
		if (i > 0 && !(row.reading > rows[i - 1]!.reading)) throw new RangeError('readings must rise');
	}
	const after = rows.findIndex((row) => row.reading >= reading);
	const [low, high] =
		after === -1 ? [rows.at(-1)!, rows.at(-1)!] : [rows[Math.max(0, after - 1)]!, rows[after]!];
	const part = high.reading === low.reading ? 0 : (reading - low.reading) / (high.reading - low.reading);
	const per100L = low.amountPer100L + Math.max(0, part) * (high.amountPer100L - low.amountPer100L);
	return (per100L * volumeL) / 100;
}
